import type { Finding } from './finding';
import type { Proof } from './proof-keeper';

/** A proof on its way to another thread: findings by number, and only those that the other side does not have yet. */
export interface SentProof {
  fresh: [number: number, finding: Finding][];
  findings: Int32Array<ArrayBuffer>;
  aside: Int32Array<ArrayBuffer>;
  rules: number;
}

/** Numbers findings, so that of one proof after another only what is new is sent. A finding is known by its identity. */
export class ProofSender {
  private numbers = new Map<Finding, number>();
  private next = 0;

  /** The proof for sending. */
  pack({ findings, aside, rules }: Proof): SentProof {
    const known = this.numbers;
    const fresh: SentProof['fresh'] = [];
    this.numbers = new Map();
    const number = (finding: Finding): number => {
      let given = known.get(finding);
      if (given === undefined) fresh.push([(given = this.next++), finding]);
      this.numbers.set(finding, given);
      return given;
    };
    return { findings: Int32Array.from(findings, number), aside: Int32Array.from(aside, number), fresh, rules };
  }
}

/** Puts proofs together again; findings that were there before are the very same objects. */
export class ProofReceiver {
  private findings = new Map<number, Finding>();

  /** The proof that was sent. One that leaves out findings which were never sent here is refused with an error. */
  unpack({ fresh, findings, aside, rules }: SentProof): Proof {
    const known = this.findings;
    for (const [number, finding] of fresh) known.set(number, finding);
    this.findings = new Map();
    const take = (number: number): Finding => {
      const finding = known.get(number);
      if (!finding) throw new Error(`No finding was sent under the number ${number}.`);
      this.findings.set(number, finding);
      return finding;
    };
    return { findings: Array.from(findings, take), aside: Array.from(aside, take), rules };
  }
}

import { Tinypool } from 'tinypool';
import { RequestRefused, tooMuch } from '../outcome';
import type { JobServices } from './job';
import { runJob, type JobAsked, type JobOutcome } from './run-job';

/** Has jobs run, and answers what they answer, as JSON in UTF-8 or the bytes that they made. Throws `RequestRefused`. */
export interface JobRunner {
  /** The body is given away: whoever asks does not read it any more. */
  run(asked: JobAsked): Promise<Uint8Array>;
}

/** Where the threads of a pool find what they read. */
export interface PoolData {
  placesFile: string;
  dataFile: string;
}

function bodyOf(outcome: JobOutcome): Uint8Array {
  if ('body' in outcome) return outcome.body;
  const { status, code, message, path } = outcome.refused;
  throw new RequestRefused(status, code, message, path);
}

/** The memory of some bytes, where nothing else lies in it: it is handed over and not copied. */
const ownMemoryOf = ({ buffer, byteLength }: Uint8Array): ArrayBuffer[] =>
  buffer instanceof ArrayBuffer && buffer.byteLength === byteLength && byteLength > 0 ? [buffer] : [];

/** Runs jobs on the thread that asks: in development and in tests. */
export class JobsHere implements JobRunner {
  constructor(private readonly services: JobServices) {}

  async run(asked: JobAsked): Promise<Uint8Array> {
    return bodyOf(await runJob(asked, this.services));
  }
}

const limits = { threads: 2, waiting: 200, megabytes: 1024, seconds: 20 };

const beyondLimits = tooMuch(`This takes more than ${limits.seconds} seconds or ${limits.megabytes} MB to compute. Ask for less at once.`);
const busy = new RequestRefused(503, 'busy', 'Too many questions wait already. Ask again in a moment.');

/** Runs jobs in a few threads of their own, each within a time and a memory: the thread that answers is never held. */
export class JobPool implements JobRunner {
  private readonly pool: Tinypool;

  /** `worker`: the built file of the thread. */
  constructor(worker: string, data: PoolData) {
    this.pool = new Tinypool({
      filename: worker,
      runtime: 'worker_threads',
      minThreads: 1,
      maxThreads: limits.threads,
      maxQueue: limits.waiting,
      idleTimeout: 60_000,
      workerData: data,
      resourceLimits: { maxOldGenerationSizeMb: limits.megabytes },
    });
  }

  async run(asked: JobAsked): Promise<Uint8Array> {
    // Waiting for a thread counts: nobody waits longer for an answer.
    const signal = AbortSignal.timeout(limits.seconds * 1000);
    try {
      return bodyOf((await this.pool.run(asked, { signal, transferList: ownMemoryOf(asked.body) })) as JobOutcome);
    } catch (error) {
      if (signal.aborted) throw beyondLimits;
      const code = error instanceof Error && 'code' in error ? error.code : '';
      if (code === 'ERR_WORKER_OUT_OF_MEMORY') throw beyondLimits;
      if (error instanceof Error && error.message.includes('Task queue is at limit')) throw busy;
      throw error;
    }
  }
}

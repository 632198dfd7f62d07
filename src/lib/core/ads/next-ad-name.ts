const letters = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'];

/** What the next ad of a group is called: A, B … Z, then A2, B2 …; the first that is not taken. */
export function nextAdName(isTaken: (name: string) => boolean): string {
  for (let round = 1; ; round++) {
    const free = letters.map((letter) => (round === 1 ? letter : `${letter}${round}`)).find((name) => !isTaken(name));
    if (free) return free;
  }
}

/** A name for a copy that is not taken: “Plain, copy”, “Plain, copy 2” … */
export function copyName(original: string, names: ReadonlySet<string>): string {
  let name = `${original}, copy`;
  for (let number = 2; names.has(name); number++) name = `${original}, copy ${number}`;
  return name;
}

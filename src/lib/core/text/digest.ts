/** A short digest of a text, by which it is known later whether it is still the same (FNV-1a, 32 bits); eight hexadecimal digits. */
export function digestOf(text: string): string {
  let hash = 0x811c9dc5;
  for (let index = 0; index < text.length; index++) hash = Math.imul(hash ^ text.charCodeAt(index), 0x01000193);
  return (hash >>> 0).toString(16).padStart(8, '0');
}

/** Has the browser save what is at an address, under a name where the answer tells none. */
export function download(address: string, name = ''): void {
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
}

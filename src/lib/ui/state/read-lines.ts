/** Hands over each line of JSON of an answer, as it comes. */
export async function readLines(response: Response, take: (line: unknown) => void | Promise<void>): Promise<void> {
  const reader = response.body?.pipeThrough(new TextDecoderStream()).getReader();
  let rest = '';
  for (let part = await reader?.read(); part && !part.done; part = await reader?.read()) {
    const lines = (rest + part.value).split('\n');
    rest = lines.pop() ?? '';
    for (const line of lines) await take(JSON.parse(line));
  }
  if (rest.trim() !== '') throw new SyntaxError('The answer broke off in a line.');
}

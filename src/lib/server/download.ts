/** Headers that save an answer as a file: `plan` is the plan's name, made fit for every file system; `rest` follows it. */
export function downloadAs(plan: string, rest: string): { 'content-disposition': string } {
  const name = plan.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '') || 'plan';
  const plain = name.normalize('NFKD').replace(/[^A-Za-z0-9-]/g, '') || 'plan';
  return { 'content-disposition': `attachment; filename="${plain}${rest}"; filename*=UTF-8''${encodeURIComponent(name)}${rest}` };
}

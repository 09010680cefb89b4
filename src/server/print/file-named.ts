/** A file's name, for browsers that read only plain letters and for those that read all. */
export function fileNamed(name: string, ending: string): string {
  const plain = name.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '') || 'even-crumb';
  return `filename="${plain.replace(/[^\x20-\x7e]/g, '')}.${ending}"; filename*=UTF-8''${encodeURIComponent(plain)}.${ending}`;
}

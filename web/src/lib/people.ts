/** Names with commas between, each once. */
export function splitNames(words: string): string[] {
  const names = words.split(/[,;]/).map((text) => text.trim());
  return [...new Set(names.filter(Boolean))];
}

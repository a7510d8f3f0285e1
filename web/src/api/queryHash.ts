const written = new WeakMap<object, string>();

/**
 * The name of a question, as the cache keeps it: the question as JSON, keys in order, nothing where nothing is told. A part that was
 * written down before is not gone through again: nothing that is asked about is ever changed, a spec is replaced.
 */
export function queryHash(asked: unknown): string {
  if (typeof asked !== 'object' || asked === null) return JSON.stringify(asked);
  let text = written.get(asked);
  if (text === undefined) {
    text = Array.isArray(asked)
      ? `[${asked.map(queryHash).join()}]`
      : `{${Object.entries(asked)
          .filter(([, value]) => value !== undefined)
          .sort(([one], [other]) => (one < other ? -1 : 1))
          .map(([key, value]) => `${JSON.stringify(key)}:${queryHash(value)}`)
          .join()}}`;
    written.set(asked, text);
  }
  return text;
}

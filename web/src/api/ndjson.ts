import { problemOf } from './client';
import type { Assumptions } from './types';

/** What a route tells as it is found, a JSON object a line; who goes away ends it. */
export async function* linesOf<Part>(
  path: string,
  body: unknown,
  supposed: Assumptions,
  signal: AbortSignal,
): AsyncGenerator<Part> {
  const told = Object.entries(supposed).filter(([, value]) => value !== null);
  const query = new URLSearchParams(told.map(([name, value]) => [name, String(value)]));
  const answer = await fetch(`${path}?${query.toString()}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
    signal,
  });
  if (!answer.ok || !answer.body) throw await problemOf(answer);
  const reader = answer.body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = '';
  for (;;) {
    const { done, value } = await reader.read();
    const lines = (rest + (value ?? '')).split('\n');
    rest = lines.pop() ?? '';
    for (const line of lines) yield JSON.parse(line) as Part;
    if (done) return;
  }
}

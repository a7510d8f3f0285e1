import { useState } from 'react';

import { client, unwrap, type OpenFormat, type Spec } from '../../api/client';
import { Dialog } from '../../ui/Dialog';

interface Props {
  spec: Spec;
  /** What is remembered of the drink; it goes along where the format has room for it. */
  notes: string;
  onClose: () => void;
}

const FORMATS: [OpenFormat, string, string][] = [
  ['markdown', 'Text', 'Markdown: lines to read, and to paste here again'],
  ['csv', 'Table', 'CSV, a pour a line'],
  ['json', 'Spec file', 'JSON, our own: everything, nothing else'],
  ['jsonld', 'Web recipe', 'JSON-LD, as schema.org tells recipes'],
];

/** The drink to take along: copied as text, or saved as a file. */
export function TakeAlong({ spec, notes, onClose }: Props) {
  const [told, setTold] = useState('');
  const written = async (wanted: OpenFormat) =>
    unwrap(await client.POST('/api/write', { body: { spec, wanted, notes } }));
  const copy = async () => {
    const { text } = await written('markdown');
    // What only our own reading needs stays out of a message.
    await navigator.clipboard.writeText(text.replace(/<!--[\s\S]*?-->\s*$/, '').trim());
    setTold('Copied. Paste it wherever you like.');
  };
  const save = async (wanted: OpenFormat) => {
    const { text, file_name } = await written(wanted);
    const link = document.createElement('a');
    link.href = URL.createObjectURL(new Blob([text], { type: 'text/plain' }));
    link.download = file_name;
    link.click();
    URL.revokeObjectURL(link.href);
    setTold(`Saved as ${file_name}.`);
  };
  const trying = (doing: Promise<void>) =>
    void doing.catch((fault: unknown) => setTold(fault instanceof Error ? fault.message : String(fault)));
  return (
    <Dialog heading={`Take ${spec.name} along`} onClose={onClose}>
      <button type="button" className="btn btn-lg justify-start" onClick={() => trying(copy())}>
        Copy it as text
      </button>
      <p className="text-quiet">or save it as a file:</p>
      <ul className="flex flex-col gap-1.5">
        {FORMATS.map(([wanted, name, words]) => (
          <li key={wanted}>
            <button
              type="button"
              className="btn btn-ghost h-auto min-h-14 w-full flex-col items-start gap-0 border-base-300 py-2 text-left"
              onClick={() => trying(save(wanted))}
            >
              <span className="text-lg">{name}</span>
              <span className="text-base font-normal text-quiet">{words}</span>
            </button>
          </li>
        ))}
      </ul>
      <p role="status" className="min-h-6 text-lg">
        {told}
      </p>
    </Dialog>
  );
}

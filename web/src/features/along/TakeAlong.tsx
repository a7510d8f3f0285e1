import { useState } from 'react';
import { Link } from 'react-router';

import { client, unwrap, type DrinkDetail, type OpenFormat, type Spec } from '../../api/client';
import { saveFile } from '../../lib/saveFile';
import { useSettings } from '../../lib/settings';
import { Dialog } from '../../ui/Dialog';
import { Choices } from './Choices';

interface Props {
  drink: Pick<DrinkDetail, 'id' | 'notes'>;
  spec: Spec;
  onClose: () => void;
}

const FORMATS: [OpenFormat | 'house', string, string][] = [
  ['markdown', 'Text', 'Markdown: lines to read, and to paste here again'],
  ['html', 'Card', 'HTML: the card in one file, to print anywhere'],
  ['csv', 'Table', 'CSV, a pour a line'],
  ['json', 'Spec file', 'JSON, our own: the drink, nothing else'],
  ['house', 'With its notebook', 'JSON, our own: all trials, tastings and readings, for another data file'],
  ['jsonld', 'Web recipe', 'JSON-LD, as schema.org tells recipes'],
];

/** The drink to take along: on a card, copied as text, or saved as a file. */
export function TakeAlong({ drink, spec, onClose }: Props) {
  const [told, setTold] = useState('');
  const { supposed: query } = useSettings();
  const written = async (wanted: OpenFormat) =>
    unwrap(await client.POST('/api/write', { params: { query }, body: { spec, wanted, notes: drink.notes } }));
  const copy = async () => {
    const { text } = await written('markdown');
    // What only our own reading needs stays out of a message.
    await navigator.clipboard.writeText(text.replace(/<!--[\s\S]*?-->\s*$/, '').trim());
    setTold('Copied. Paste it wherever you like.');
  };
  const save = async (wanted: OpenFormat | 'house') => {
    const { text, file_name } =
      wanted === 'house'
        ? unwrap(await client.POST('/api/export', { body: { drinks: [drink.id], wanted } }))
        : await written(wanted);
    saveFile(text, file_name);
    setTold(`Saved as ${file_name}.`);
  };
  const trying = (doing: Promise<void>) =>
    void doing.catch((fault: unknown) => setTold(fault instanceof Error ? fault.message : String(fault)));
  return (
    <Dialog heading={`Take ${spec.name} along`} onClose={onClose}>
      <Link to={`/card/${drink.id}`} className="btn btn-lg justify-start">
        Its card, to look at and to print
      </Link>
      <button type="button" className="btn btn-lg justify-start" onClick={() => trying(copy())}>
        Copy it as text
      </button>
      <p className="text-quiet">or save it as a file:</p>
      <Choices choices={FORMATS} onChoose={(wanted) => trying(save(wanted))} />
      <p role="status" className="min-h-6 text-lg">
        {told}
      </p>
    </Dialog>
  );
}

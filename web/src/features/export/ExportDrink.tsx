import { useState } from 'react';
import { Link } from 'react-router';

import { type DrinkDetail, exportDrinks, type OpenFormat, type Spec, writeSpec } from '@/api';
import { saveFile } from '@/lib';
import { useSettings } from '@/hooks';
import { Button, Dialog } from '@/ui';
import { ExportChoices } from './ExportChoices';

interface Props {
  drink: Pick<DrinkDetail, 'id' | 'notes'>;
  spec: Spec;
  onClose: () => void;
}

const FORMATS: [OpenFormat | 'house', string, string][] = [
  ['markdown', 'Text', 'Markdown, to read or to paste here again'],
  ['html', 'Card', 'HTML: the card in one file, to print anywhere'],
  ['csv', 'Table', 'CSV, one row per ingredient'],
  ['json', 'Spec file', 'Oenomel’s own JSON: the drink alone'],
  ['house', 'Drink and trials', 'Oenomel’s own JSON: trials, tasting notes and readings, for another data file'],
  ['jsonld', 'Web recipe', 'JSON-LD, the schema.org recipe format'],
];

/** The drink to take along: on a card, copied as text, or saved as a file. */
export function ExportDrink({ drink, spec, onClose }: Props) {
  const [told, setTold] = useState('');
  const { supposed: query } = useSettings();
  const written = (wanted: OpenFormat) => writeSpec(spec, wanted, drink.notes, query);
  const copy = async () => {
    const { text } = await written('markdown');
    // What only our own reading needs stays out of a message.
    await navigator.clipboard.writeText(text.replace(/<!--[\s\S]*?-->\s*$/, '').trim());
    setTold('Copied to the clipboard.');
  };
  const save = async (wanted: OpenFormat | 'house') => {
    const { text, file_name } = wanted === 'house' ? await exportDrinks([drink.id], wanted) : await written(wanted);
    saveFile(text, file_name);
    setTold(`Saved as ${file_name}.`);
  };
  const trying = (doing: Promise<void>) =>
    void doing.catch((fault: unknown) => setTold(fault instanceof Error ? fault.message : String(fault)));
  return (
    <Dialog heading={`Export ${spec.name}`} onClose={onClose}>
      <Link to={`/card/${drink.id}`} className="btn btn-lg justify-start">
        Open the card to print
      </Link>
      <Button large className="justify-start" onClick={() => trying(copy())}>
        Copy as text
      </Button>
      <p className="text-quiet">or save a file:</p>
      <ExportChoices choices={FORMATS} onChoose={(wanted) => trying(save(wanted))} />
      <p role="status" className="min-h-6 text-lg">
        {told}
      </p>
    </Dialog>
  );
}

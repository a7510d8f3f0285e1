import { useState } from 'react';
import { Link } from 'react-router';

import { exportDrinks } from '@/api';
import { saveFile } from '@/lib';
import { Dialog } from '@/ui';
import { ExportChoices } from './ExportChoices';

interface Props {
  /** The drinks that are looked at; none for the whole house. */
  drinks: number[];
  onClose: () => void;
}

const FORMATS: ['house' | 'csv' | 'markdown' | 'json' | 'jsonld', string, string][] = [
  ['house', 'Everything', 'Oenomel’s own JSON: drinks, trials, bottles and stock, for another data file'],
  ['markdown', 'Text', 'Markdown: the newest trial of each drink'],
  ['csv', 'Table', 'CSV, one row per ingredient'],
  ['json', 'Spec files', 'Oenomel’s own JSON: the drinks alone'],
  ['jsonld', 'Web recipes', 'JSON-LD, the schema.org recipe format'],
];

/** The book, or what was found in it, to take along. */
export function ExportBook({ drinks, onClose }: Props) {
  const [told, setTold] = useState('');
  const save = async (wanted: (typeof FORMATS)[number][0]) => {
    const { text, file_name } = await exportDrinks(drinks, wanted);
    saveFile(text, file_name);
    setTold(`Saved as ${file_name}.`);
  };
  const many = drinks.length === 1 ? 'this drink' : `these ${drinks.length} drinks`;
  return (
    <Dialog heading={drinks.length > 0 ? `Export ${many}` : 'Export everything'} onClose={onClose}>
      <Link
        to={drinks.length > 0 ? `/recipes/menu-sheet?drinks=${drinks.join(',')}` : '/recipes/menu-sheet'}
        className="btn btn-lg justify-start"
      >
        Open the menu sheet to print
      </Link>
      <p className="text-quiet">or save a file:</p>
      <ExportChoices
        choices={FORMATS}
        onChoose={(wanted) =>
          void save(wanted).catch((fault: unknown) => setTold(fault instanceof Error ? fault.message : String(fault)))
        }
      />
      <p role="status" className="min-h-6 text-lg">
        {told}
      </p>
    </Dialog>
  );
}

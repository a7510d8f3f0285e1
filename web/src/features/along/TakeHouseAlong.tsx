import { useState } from 'react';
import { Link } from 'react-router';

import { client, unwrap } from '../../api/client';
import { saveFile } from '../../lib/saveFile';
import { Dialog } from '../../ui/Dialog';
import { Choices } from './Choices';

interface Props {
  /** The drinks that are looked at; none for the whole house. */
  drinks: number[];
  onClose: () => void;
}

const FORMATS: ['house' | 'csv' | 'markdown' | 'json' | 'jsonld', string, string][] = [
  ['house', 'Everything', 'JSON, our own: drinks with their notebooks, bottles, shelf; for another data file'],
  ['markdown', 'Text', 'Markdown: each drink as it was kept last, to read'],
  ['csv', 'Table', 'CSV, a pour a line, for a spreadsheet'],
  ['json', 'Spec files', 'JSON, our own: the drinks, nothing else'],
  ['jsonld', 'Web recipes', 'JSON-LD, as schema.org tells recipes'],
];

/** The book, or what was found in it, to take along. */
export function TakeHouseAlong({ drinks, onClose }: Props) {
  const [told, setTold] = useState('');
  const save = async (wanted: (typeof FORMATS)[number][0]) => {
    const { text, file_name } = unwrap(await client.POST('/api/export', { body: { drinks, wanted } }));
    saveFile(text, file_name);
    setTold(`Saved as ${file_name}.`);
  };
  const many = drinks.length === 1 ? 'this drink' : `these ${drinks.length} drinks`;
  return (
    <Dialog heading={drinks.length > 0 ? `Take ${many} along` : 'Take the house along'} onClose={onClose}>
      <Link to={drinks.length > 0 ? `/list?drinks=${drinks.join(',')}` : '/list'} className="btn btn-lg justify-start">
        The list on one sheet, to print
      </Link>
      <p className="text-quiet">or save it as a file:</p>
      <Choices
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

import type { ImportChoice, ImportedItem } from '@/api';
import { ChoiceChips } from '@/ui';

interface Props {
  item: ImportedItem;
  choice: ImportChoice;
  onChoose: (choice: ImportChoice) => void;
}

const STATES: Record<ImportedItem['state'], string> = { new: 'new', same: 'the same', differs: 'different' };
const CHOICES: Record<ImportChoice, string> = {
  leave: 'Skip',
  add: 'Add what is missing',
  beside: 'Import as another drink',
  take: 'Import',
};

/** One thing that comes: what is new or differs, side by side, and what becomes of it. */
export function ImportItem({ item: { name, kind, state, words, choices, sides }, choice, onChoose }: Props) {
  return (
    <li className="panel flex flex-col gap-2 p-4">
      <p className="flex flex-wrap items-baseline gap-x-3">
        <strong className="text-lg font-semibold wrap-anywhere">{name}</strong>
        <span className="text-quiet">{kind}</span>
        <span
          className={`ml-auto rounded-full px-2.5 py-0.5 text-sm ${state === 'differs' ? 'bg-accent text-accent-content' : 'bg-secondary'}`}
        >
          {STATES[state]}
        </span>
      </p>
      <p className="text-quiet">{words}</p>
      {sides.length > 0 && (
        <table className="w-full text-base">
          <thead className="text-left text-quiet">
            <tr>
              <td />
              <th scope="col" className="px-2 font-normal">
                here
              </th>
              <th scope="col" className="px-2 font-normal">
                in the file
              </th>
            </tr>
          </thead>
          <tbody>
            {sides.map(({ what, here, comes }) => (
              <tr key={what} className="border-t border-base-300 align-top">
                <th scope="row" className="py-1 pr-2 text-left font-normal wrap-anywhere">
                  {what}
                </th>
                <td className="px-2 py-1 wrap-anywhere">{here}</td>
                <td className="px-2 py-1 font-semibold wrap-anywhere">{comes}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {choices.length > 1 && (
        <ChoiceChips
          legend={`What to do with ${name}`}
          legendShown={false}
          options={choices.map((each) => [each, CHOICES[each]])}
          value={choice}
          onChoose={onChoose}
        />
      )}
    </li>
  );
}

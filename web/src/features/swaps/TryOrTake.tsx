import { shownKey } from '../../shell/keys';

interface Props {
  trying: boolean;
  disabled?: boolean;
  onTry: () => void;
  onTake: () => void;
}

/** Always in sight at the foot of the panel: look at it on the drink, or take it. */
export function TryOrTake({ trying, disabled = false, onTry, onTake }: Props) {
  return (
    <div className="sticky bottom-(--thumb) flex gap-2 rounded-b-2xl border-t border-base-300 bg-base-100 p-3">
      <button
        type="button"
        aria-pressed={trying}
        disabled={disabled}
        className={`btn min-h-12 grow basis-0 text-base ${trying ? 'btn-secondary' : 'btn-ghost border-base-300'}`}
        title={trying ? `Take it off again (${shownKey('back')})` : `Try it on (${shownKey('tryOn')})`}
        onClick={onTry}
      >
        {trying ? 'Take it off again' : 'Try it on'}{' '}
        <kbd className="kbd max-lg:hidden">{trying ? shownKey('back') : shownKey('tryOn')}</kbd>
      </button>
      <button
        type="button"
        disabled={disabled}
        className="btn btn-primary min-h-12 grow basis-0 text-base"
        title={`Take it (${shownKey('take')})`}
        onClick={onTake}
      >
        Take it <kbd className="kbd text-base-content max-lg:hidden">{shownKey('take')}</kbd>
      </button>
    </div>
  );
}

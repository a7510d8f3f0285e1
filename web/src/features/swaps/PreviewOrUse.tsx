import { shownKey } from '@/hooks';

interface Props {
  trying: boolean;
  disabled?: boolean;
  onTry: () => void;
  onTake: () => void;
}

/** Always in sight at the foot of the panel: look at it on the drink, or take it. */
export function PreviewOrUse({ trying, disabled = false, onTry, onTake }: Props) {
  return (
    <div className="sticky bottom-(--thumb) flex gap-2 rounded-b-2xl border-t border-base-300 bg-base-100 p-3">
      <button
        type="button"
        aria-pressed={trying}
        disabled={disabled}
        className={`btn min-h-12 grow basis-0 text-base ${trying ? 'btn-secondary' : 'btn-ghost border-base-300'}`}
        title={trying ? `Reset (${shownKey('back')})` : `Preview (${shownKey('tryOn')})`}
        onClick={onTry}
      >
        {trying ? 'Reset' : 'Preview'}{' '}
        <kbd className="kbd max-lg:hidden">{trying ? shownKey('back') : shownKey('tryOn')}</kbd>
      </button>
      <button
        type="button"
        disabled={disabled}
        className="btn btn-primary min-h-12 grow basis-0 text-base"
        title={`Use this (${shownKey('take')})`}
        onClick={onTake}
      >
        Use this <kbd className="kbd text-base-content max-lg:hidden">{shownKey('take')}</kbd>
      </button>
    </div>
  );
}

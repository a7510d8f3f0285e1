import { useEffect, useId, useRef, type ReactNode } from 'react';

interface Props {
  heading: ReactNode;
  /** Room for long lines. */
  wide?: boolean;
  /** What stands beside the button that closes it. */
  actions?: ReactNode;
  /** What the button that closes it says; where it is told, the dialog's own action comes first. */
  closeWords?: string;
  onClose: () => void;
  /** Makes a form of it: Enter sends it, and Ctrl Enter from anywhere in it. */
  onSubmit?: () => void;
  children: ReactNode;
}

/** A dialog over the page, open as long as it is there; Escape and its button close it. */
export function Dialog({ heading, wide = false, actions, closeWords, onClose, onSubmit, children }: Props) {
  const dialog = useRef<HTMLDialogElement>(null);
  const id = useId();
  useEffect(() => {
    dialog.current?.showModal();
  }, []);
  const box = `modal-box flex flex-col gap-4 ${wide ? 'max-w-3xl' : ''}`;
  const close = (
    <button
      type="button"
      className={`btn btn-lg ${closeWords ? '' : 'btn-primary'}`}
      onClick={() => dialog.current?.close()}
    >
      {closeWords ?? 'Close'}
    </button>
  );
  const inside = (
    <>
      <h2 id={id} className="flex items-center gap-2 font-display text-2xl font-semibold">
        {heading}
      </h2>
      {children}
      <div className="flex justify-end gap-2">
        {closeWords && close}
        {actions}
        {!closeWords && close}
      </div>
    </>
  );
  return (
    <dialog
      ref={dialog}
      className="modal"
      aria-labelledby={id}
      // A dialog within this one closes on its own.
      onClose={(event) => event.target === event.currentTarget && onClose()}
    >
      {onSubmit ? (
        <form
          className={box}
          onSubmit={(event) => {
            event.preventDefault();
            onSubmit();
          }}
          onKeyDown={(event) => {
            if (event.key !== 'Enter' || !(event.ctrlKey || event.metaKey)) return;
            event.currentTarget.querySelector<HTMLButtonElement>('[type=submit]')?.click();
          }}
        >
          {inside}
        </form>
      ) : (
        <div className={box}>{inside}</div>
      )}
    </dialog>
  );
}

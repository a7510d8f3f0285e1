import { useEffect, useId, useRef, type ReactNode } from 'react';

interface Props {
  heading: ReactNode;
  /** Room for long lines. */
  wide?: boolean;
  /** What stands beside the button that closes it. */
  actions?: ReactNode;
  onClose: () => void;
  children: ReactNode;
}

/** A dialog over the page, open as long as it is there; Escape and its button close it. */
export function Dialog({ heading, wide = false, actions, onClose, children }: Props) {
  const dialog = useRef<HTMLDialogElement>(null);
  const id = useId();
  useEffect(() => {
    dialog.current?.showModal();
  }, []);
  return (
    <dialog
      ref={dialog}
      className="modal"
      aria-labelledby={id}
      // A dialog within this one closes on its own.
      onClose={(event) => event.target === event.currentTarget && onClose()}
    >
      <div className={`modal-box flex flex-col gap-4 ${wide ? 'max-w-3xl' : ''}`}>
        <h2 id={id} className="flex items-center gap-2 font-display text-2xl font-semibold">
          {heading}
        </h2>
        {children}
        <div className="flex justify-end gap-2">
          {actions}
          <button type="button" className="btn btn-primary btn-lg" onClick={() => dialog.current?.close()}>
            Close
          </button>
        </div>
      </div>
    </dialog>
  );
}

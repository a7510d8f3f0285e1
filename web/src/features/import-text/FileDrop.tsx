import { useState, type DragEvent, type ReactNode } from 'react';

import { droppedText } from '@/lib';

interface Props {
  className?: string;
  onText: (text: string) => void;
  children: ReactNode;
}

/** A place where a file can be dropped; what is no text is refused in words. */
export function FileDrop({ className = '', onText, children }: Props) {
  const [over, setOver] = useState(false);
  const [refusal, setRefusal] = useState('');
  const drop = async (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    const dropped = await droppedText(event.dataTransfer);
    setRefusal(dropped.refusal);
    if (dropped.text !== null) onText(dropped.text);
  };
  return (
    <div
      className={`${className} ${over ? 'outline-2 outline-base-content' : ''}`}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => void drop(event)}
    >
      {children}
      {refusal && (
        <p role="alert" className="text-error">
          {refusal}
        </p>
      )}
    </div>
  );
}

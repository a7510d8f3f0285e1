import { useState, type DragEvent } from 'react';
import { useNavigate } from 'react-router';

import { readDropped } from '../../lib/dropped';

/** A file or a text that is dropped anywhere on the book is read as a recipe. */
export function useDropped() {
  const navigate = useNavigate();
  const [refusal, setRefusal] = useState('');
  const read = async (dropped: DataTransfer) => {
    const { text, refusal: why } = await readDropped(dropped);
    setRefusal(why);
    if (text !== null) void navigate('/paste', { state: { text } });
  };
  const drop = (event: DragEvent) => {
    event.preventDefault();
    void read(event.dataTransfer);
  };
  return { refusal, drop };
}

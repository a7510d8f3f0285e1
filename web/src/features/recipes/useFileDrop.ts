import { useState, type DragEvent } from 'react';
import { useNavigate } from 'react-router';

import { droppedText, isOenomelFile, passFiles, readFiles } from '@/lib';

/** What is dropped anywhere on the book: files of ours are taken in, a recipe is read. */
export function useFileDrop() {
  const navigate = useNavigate();
  const [refusal, setRefusal] = useState('');
  const carry = async (files: File[]) => {
    const { carried, refusal: why } = await readFiles(files);
    setRefusal(why);
    if (why) return;
    passFiles(carried);
    void navigate('/recipes/import');
  };
  const read = async (dropped: DataTransfer) => {
    const files = [...dropped.files];
    if (files.length > 1) return carry(files);
    const { text, refusal: why } = await droppedText(dropped);
    if (text !== null && files.length === 1 && isOenomelFile(text)) return carry(files);
    setRefusal(why);
    if (text !== null) void navigate('/paste', { state: { text } });
  };
  const drop = (event: DragEvent) => {
    event.preventDefault();
    void read(event.dataTransfer);
  };
  return { refusal, drop };
}

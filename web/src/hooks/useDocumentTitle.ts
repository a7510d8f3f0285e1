import { useEffect } from 'react';

/** The title of the window while a page is there; undefined until it is known. */
export function useDocumentTitle(words: string | undefined): void {
  useEffect(() => {
    if (words === undefined) return;
    document.title = `${words} · Oenomel`;
    return () => {
      document.title = 'Oenomel';
    };
  }, [words]);
}

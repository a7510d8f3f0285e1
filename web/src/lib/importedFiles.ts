/** A file that is carried in. */
export interface ImportedFile {
  name: string;
  text: string;
}

let waiting: ImportedFile[] = [];

/** Hands files on to the page that takes them in: they are too large for the address’s own memory. */
export function passFiles(files: ImportedFile[]): void {
  waiting = files;
}

/** The files that were handed on. */
export const passedFiles = () => waiting;

const LARGEST_BYTES = 25_000_000;

/** The texts of files, or a sentence for the first that holds none. */
export async function readFiles(files: Iterable<File>): Promise<{ carried: ImportedFile[]; refusal: string }> {
  const carried: ImportedFile[] = [];
  let size = 0;
  for (const file of files) {
    size += file.size;
    if (file.type.startsWith('image/') || file.type === 'application/pdf')
      return { carried: [], refusal: `${file.name} has no text in it, so it can’t hold drinks.` };
    if (size > LARGEST_BYTES)
      return { carried: [], refusal: 'The file is too large for a page. Use “oenomel import” on the machine instead.' };
    carried.push({ name: file.name, text: await file.text() });
  }
  return { carried, refusal: '' };
}

/** Whether a text is a file of ours with drinks in it, and no recipe to be read line by line. */
export function isOenomelFile(text: string): boolean {
  return /"format"\s*:\s*"oenomel\//.test(text.slice(0, 2000)) || text.includes('<!-- oenomel/spec ');
}

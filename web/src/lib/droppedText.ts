const LARGEST_BYTES = 3_000_000;

/** The text of what was dropped on the page; where it is none, why. */
export async function droppedText(dropped: DataTransfer): Promise<{ text: string | null; refusal: string }> {
  const file = dropped.files.item(0);
  if (!file) return { text: dropped.getData('text') || null, refusal: '' };
  if (file.type.startsWith('image/') || file.type === 'application/pdf')
    return { text: null, refusal: `${file.name} has no text in it. Copy the text of the recipe and paste that.` };
  if (file.size > LARGEST_BYTES) return { text: null, refusal: `${file.name} is too large. Paste only the recipe.` };
  return { text: await file.text(), refusal: '' };
}

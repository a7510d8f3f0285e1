/** A switch with its words. */
export function Check({ words, on, onChange }: { words: string; on: boolean; onChange: (on: boolean) => void }) {
  return (
    <label className="flex min-h-11 cursor-pointer items-center gap-2 text-base">
      <input
        type="checkbox"
        className="checkbox rounded-md"
        checked={on}
        onChange={(event) => onChange(event.target.checked)}
      />
      {words}
    </label>
  );
}

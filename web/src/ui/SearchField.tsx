import { Search } from 'lucide-react';
import type { InputHTMLAttributes, Ref } from 'react';

interface Props extends Omit<InputHTMLAttributes<HTMLInputElement>, 'onChange' | 'size'> {
  /** What is searched, for who can’t see it. */
  label: string;
  value: string;
  onWords: (words: string) => void;
  ref?: Ref<HTMLInputElement>;
  /** The sign’s edge, px. */
  size?: number;
}

/** Words to search by. */
export function SearchField({ label, onWords, className = '', size = 20, ...rest }: Props) {
  return (
    <label className={`input ${className}`}>
      <Search size={size} aria-hidden className="text-quiet" />
      <input
        type="search"
        aria-label={label}
        maxLength={100}
        onChange={(event) => onWords(event.target.value)}
        {...rest}
      />
    </label>
  );
}

import { Autocomplete } from '@base-ui/react/autocomplete';
import type { ReactNode } from 'react';

interface Props {
  /** Told when it is highlighted. */
  value: unknown;
  className: string;
  onTake: () => void;
  children: ReactNode;
}

/** One option under a field to search in; the one that Enter takes is the selected one. */
export function ComboboxOption({ value, className, onTake, children }: Props) {
  return (
    <Autocomplete.Item
      value={value}
      className={`flex cursor-pointer items-center data-highlighted:bg-secondary ${className}`}
      onClick={onTake}
      render={(props, { highlighted }) => <div {...props} aria-selected={highlighted} />}
    >
      {children}
    </Autocomplete.Item>
  );
}

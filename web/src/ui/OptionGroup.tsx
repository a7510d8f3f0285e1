import { Radio } from '@base-ui/react/radio';
import { RadioGroup } from '@base-ui/react/radio-group';
import type { ReactNode } from 'react';

interface Props {
  label: string;
  /** The number of the chosen one. */
  chosen: number;
  onChoose: (index: number) => void;
  options: { key: string; content: ReactNode }[];
  className: string;
  /** The look of one, by whether it is chosen (aria-checked). */
  optionClassName: string;
}

/** One out of a few that are shown whole; arrow keys go from one to the next. */
export function OptionGroup({ label, chosen, onChoose, options, className, optionClassName }: Props) {
  return (
    <RadioGroup value={chosen} onValueChange={onChoose} aria-label={label} className={className}>
      {options.map(({ key, content }, index) => (
        <Radio.Root key={key} value={index} nativeButton render={<button type="button" />} className={optionClassName}>
          {content}
        </Radio.Root>
      ))}
    </RadioGroup>
  );
}

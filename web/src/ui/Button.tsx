import type { ComponentProps } from 'react';

const LOOKS = {
  plain: '',
  primary: 'btn-primary',
  secondary: 'btn-secondary',
  accent: 'btn-accent',
  ghost: 'btn-ghost',
  outline: 'btn-ghost border-base-300 font-normal',
} as const;

interface Props extends ComponentProps<'button'> {
  /** How it stands out: "primary" is the next move, one in sight; "accent" uses what is previewed. */
  look?: keyof typeof LOOKS;
  /** Taller, for what a wet thumb presses. */
  large?: boolean;
}

/** A button of at least 44 px with words. */
export function Button({ look = 'plain', large = false, className = '', type = 'button', ...rest }: Props) {
  const size = large ? 'btn-lg' : 'min-h-11 text-base';
  return <button type={type} className={`btn ${LOOKS[look]} ${size} ${className}`} {...rest} />;
}

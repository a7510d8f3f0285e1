import type { LucideIcon } from 'lucide-react';

interface Props {
  icon: LucideIcon;
  /** What it does, for who can't see the icon. */
  label: string;
  /** Its key, told on hover. */
  hotkey?: string;
  disabled?: boolean;
  className?: string;
  onClick: () => void;
}

/** A square button with a sign, big enough for a wet thumb. */
export function IconButton({ icon: Icon, label, hotkey, disabled = false, className = '', onClick }: Props) {
  return (
    <button
      type="button"
      className={`btn btn-square btn-ghost min-h-11 border-base-300 ${className}`}
      aria-label={label}
      title={hotkey ? `${label} (${hotkey})` : label}
      disabled={disabled}
      onClick={onClick}
    >
      <Icon size={20} aria-hidden />
    </button>
  );
}

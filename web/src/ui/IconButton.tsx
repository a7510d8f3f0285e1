import type { LucideIcon } from 'lucide-react';

interface Props {
  icon: LucideIcon;
  /** What it does, for who can't see the icon. */
  label: string;
  /** Its key, told on hover. */
  hotkey?: string;
  /** Its label is written beside the sign where there is room. */
  word?: boolean;
  disabled?: boolean;
  className?: string;
  onClick: () => void;
}

/** A button with a sign, big enough for a wet thumb. */
export function IconButton({
  icon: Icon,
  label,
  hotkey,
  word = false,
  disabled = false,
  className = '',
  onClick,
}: Props) {
  return (
    <button
      type="button"
      className={`btn btn-ghost min-h-11 border-base-300 ${word ? 'gap-1.5 px-2.5 text-base font-normal max-[1199px]:btn-square' : 'btn-square'} ${className}`}
      aria-label={label}
      title={hotkey ? `${label} (${hotkey})` : label}
      disabled={disabled}
      onClick={onClick}
    >
      <Icon size={20} aria-hidden />
      {word && <span className="max-[1199px]:sr-only">{label}</span>}
    </button>
  );
}

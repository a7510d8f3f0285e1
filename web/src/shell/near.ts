/** How the ways to the nearest rooms look: beside each other at the head, on a phone in a bar at the thumb. */
export const NEAR =
  'btn btn-ghost min-h-11 gap-1.5 border-base-300 px-2.5 aria-[current=page]:bg-secondary max-[500px]:h-14 max-[500px]:w-full max-[500px]:flex-col max-[500px]:gap-0.5 max-[500px]:border-0 max-[500px]:px-1 max-[500px]:text-base max-[500px]:font-normal';

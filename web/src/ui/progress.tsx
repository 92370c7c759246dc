type ProgressProps = { readonly label: string; readonly done: number; readonly all: number };

/** How far long work is. A browser draws its own bar as soon as a border is reset: each of its parts is drawn here. */
export function Progress({ label, done, all }: ProgressProps) {
  return (
    <progress
      aria-label={label}
      value={done}
      max={Math.max(1, all)}
      className="h-3 w-full appearance-none overflow-hidden rounded-full bg-rule [&::-moz-progress-bar]:bg-crust [&::-webkit-progress-bar]:bg-rule [&::-webkit-progress-value]:bg-crust"
    />
  );
}

import Button from "@mui/material/Button";

/** A value that goes up and down by a tap; an end has no way on. */
export function Stepper({
  label,
  value,
  onLess,
  onMore,
}: {
  label: string;
  value: string;
  onLess: (() => void) | undefined;
  onMore: (() => void) | undefined;
}) {
  return (
    <div className="line" data-repeat>
      <span>{label}</span>
      <span className="value row">
        <Button size="small" aria-label={`less ${label}`} disabled={!onLess} onClick={onLess}>
          –
        </Button>
        <span className="mono">{value}</span>
        <Button size="small" aria-label={`more ${label}`} disabled={!onMore} onClick={onMore}>
          +
        </Button>
      </span>
    </div>
  );
}

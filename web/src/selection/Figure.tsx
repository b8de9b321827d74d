/** A large number and what it is. */
export function Figure({ value, words }: { value: string; words: string }) {
  return (
    <div>
      <dd className="mono">{value}</dd>
      <dt>{words}</dt>
    </div>
  );
}

import './Mark.css';
export function Mark({
  x,
  y,
  n,
  kind,
}: {
  x: number;
  y: number;
  n: number | string;
  kind: 'letter' | 'step' | 'ground' | 'neutral';
}) {
  return (
    <g className={`mark mark-${kind}`} transform={`translate(${x} ${y})`}>
      {kind === 'step' ? (
        <circle r={10} />
      ) : (
        <rect x={-9} y={-9} width={18} height={18} rx={kind === 'ground' ? 9 : 3} />
      )}
      <text textAnchor="middle" y={4.5}>
        {n}
      </text>
    </g>
  );
}

import './Leaf.css';
const OUTLINE = [
  'M16 2c2.5 4.6 6 4.6 10 4.6-1.2 3.6 0 6 2.4 9.4-2.4 3.4-3.6 5.8-2.4 9.4-4 0-7.5 0-10 4.6',
  '-2.5-4.6-6-4.6-10-4.6 1.2-3.6 0-6-2.4-9.4C6 12.600 7.200 10.200 6 6.600 10 6.600 13.500 6.600 16 2Z',
].join('');

export function Leaf({ size = 22 }: { size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 32 32" aria-hidden="true" className="leaf">
      <path d={OUTLINE} fill="currentColor" />
      <circle cx="16" cy="16" r="4.600" className="leaf-berry" />
    </svg>
  );
}

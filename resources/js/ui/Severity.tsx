import type { Finding } from '../api/client';
import './Severity.css';

export function Severity({ severity }: { severity: Finding['severity'] }) {
  const sign = { danger: '!', warning: '▲', advice: 'i' }[severity];
  return (
    <span className={`sev sev-${severity}`} role="img" aria-label={severity}>
      {sign}
    </span>
  );
}

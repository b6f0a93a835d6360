import type { Answer, Reference } from '../api/client';
import { useUnits } from '../shell/units';
import { placeOf, valueWords } from './spoken';

type Assumption = Answer['assumptions'][number];

/** What nobody has measured, read off or been told, part by part. */
export function Assumed({ assumptions, forms }: { assumptions: Assumption[]; forms: Reference['forms'] | undefined }) {
  const units = useUnits();
  const parts = new Map<string, Assumption[]>();
  for (const a of assumptions) parts.set(a.component, [...(parts.get(a.component) ?? []), a]);
  return (
    <ul className="assumed-list">
      {[...parts].map(([part, all]) => (
        <li key={part}>
          {all[0]!.label}{' '}
          {all.map((a, i) => {
            const at = placeOf(forms, a.type, a.what);
            return (
              <span key={a.what} className="quiet">
                {i > 0 && '; '}
                {at.words} <span className="is-assumed figures">~{valueWords(at.field, a.value, units)}</span>
              </span>
            );
          })}
        </li>
      ))}
    </ul>
  );
}

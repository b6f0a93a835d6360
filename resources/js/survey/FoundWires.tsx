import { useQuery } from '@tanstack/react-query';
import { api, unwrap } from '../api/client';
import { when } from '../build/words';
import { t } from '../words/t';

/** What was found beside the rig and belongs into the survey: wires that nobody knew, what was broken already. */
export function FoundWires({ job }: { job: number }) {
  const log = useQuery({
    queryKey: ['found', job],
    queryFn: async () => unwrap(await api.GET('/jobs/{job}/log', { params: { path: { job } } })).lines,
  });
  const lines = (log.data ?? []).filter((l) => l.kind === 'wire' || l.kind === 'defect');
  if (lines.length === 0) return null;
  return (
    <section className="sheet-panel">
      <h2>{t('survey.foundBesideTheRig')}</h2>
      <p className="quiet">{t('survey.enterWhatIsKnown')}</p>
      <ul>
        {lines.map((l) => {
          const said = l.says as Record<string, string | number | boolean | undefined>;
          return (
            <li key={l.uuid}>
              <b>{l.kind === 'wire' ? said.where : said.words}</b>{' '}
              {[
                said.jacket,
                said.conductors,
                said.to && t('build.leadsTo', { to: String(said.to) }),
                said.volts !== undefined && t('build.voltsOn', { volts: String(said.volts) }),
                said.cut === true && t('build.isCut'),
              ]
                .filter(Boolean)
                .join(' · ')}{' '}
              <small className="quiet">{t('build.byAt', { by: l.by, at: when(l.at) })}</small>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

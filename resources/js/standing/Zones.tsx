import { Button } from 'antd';
import type { Places, PlaceZone } from '../api/client';
import { useUnits } from '../shell/units';
import { csv, csvHref } from '../ui/csv';
import { t } from '../words/t';
import type { Opened } from './opened';
import { STATES } from './LongSide';

const VERDICTS: Record<PlaceZone['verdict'], string> = {
  empty: t('place.empty'),
  fits: t('place.fits'),
  tight: t('place.tight'),
  cannot: t('place.cannot'),
  unknown: t('place.notFound'),
};

/** Each zone with what is meant for it, laid out as it would go. */
export function Zones({ places, open }: { places: Places; open: (id: string) => void }) {
  const units = useUnits();
  const labels = new Map(places.items.map((i) => [i.id, i.label]));
  return (
    <section className="sheet-panel">
      <h1>{t('place.whatFits')}</h1>
      {places.zones.length === 0 && <p className="empty">{t('place.noZones')}</p>}
      {places.zones.map((zone) => (
        <div key={zone.id} className={`zone-row is-${zone.verdict}`}>
          <div className="zone-faces">
            {Object.entries(zone.faces).map(([face, f]) => (
              <FaceOf key={face} face={f} labels={labels} />
            ))}
          </div>
          <div>
            <Button type="link" className="zone-name" onClick={() => open(zone.id)}>
              {zone.label}
            </Button>{' '}
            <b className={`verdict is-${zone.verdict}`}>{VERDICTS[zone.verdict]}</b>
            {zone.lines.map((line) => (
              <p key={line.item + line.words} className={line.stops ? 'stops' : 'close'}>
                {labels.get(line.item) ? `${labels.get(line.item)}: ` : ''}
                {units.said(line.words)}.
              </p>
            ))}
            {zone.heat && <p className={zone.heat.good ? 'quiet' : 'close'}>{units.said(zone.heat.words)}</p>}
          </div>
        </div>
      ))}
    </section>
  );
}

/** A face of a zone with what is on it, to scale. */
function FaceOf({ face, labels }: { face: PlaceZone['faces'][string]; labels: Map<string, string> }) {
  const perM = Math.min(150 / face.w, 76 / face.h);
  return (
    <svg width={face.w * perM + 2} height={face.h * perM + 2} role="img" aria-label={t('place.face')}>
      <rect className="face" x="1" y="1" width={face.w * perM} height={face.h * perM} />
      {face.at.map((p) => (
        <rect key={p.id} className="plate" x={1 + p.x * perM} y={1 + p.y * perM} width={p.w * perM} height={p.h * perM}>
          <title>{labels.get(p.id) ?? p.id}</title>
        </rect>
      ))}
    </svg>
  );
}

/** Everything that has a weight or a place, as rows of a file: SI, as it is kept. */
function rowsOf(places: Places): (string | number)[][] {
  const zones = new Map(places.zones.map((z) => [z.id, z.label]));
  return [
    t('place.csvHead').split(','),
    ...places.items.map((i) => {
      const at = i.at ?? i.before;
      return [
        i.label,
        i.kg,
        i.basis,
        i.state,
        at?.xM ?? '',
        at?.leftM ?? '',
        at?.upM ?? '',
        (at && zones.get(at.zone)) ?? '',
        ...(i.sides ?? ['', '', '']),
      ];
    }),
  ];
}

/** The same as a list, for whoever does not read pictures. */
export function Stands({ places, open }: { places: Places; open: (opened: Opened) => void }) {
  const units = useUnits();
  const zones = new Map(places.zones.map((z) => [z.id, z.label]));
  const heavy = [...places.items].sort((a, b) => b.kg - a.kg);
  return (
    <section className="sheet-panel">
      <div className="sheet-head">
        <h1>{t('place.stands')}</h1>
        <span className="spring" />
        <Button size="small" href={csvHref(csv(rowsOf(places)))} download="places.csv">
          {t('place.csv')}
        </Button>
      </div>
      <table className="stands figures">
        <thead>
          <tr>
            <th>{t('place.what')}</th>
            <th>{t('place.weight')}</th>
            <th>{t('place.behind')}</th>
            <th>{t('place.where')}</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {heavy.map((item) => {
            const at = item.at ?? item.before;
            return (
              <tr key={item.id} className={item.state === 'gone' ? 'is-gone' : ''}>
                <td>
                  <Button
                    type="link"
                    onClick={() =>
                      open({
                        kind: item.type === 'thing' ? 'thing' : 'item',
                        id: item.id.replace(/^thing_/, ''),
                      })
                    }
                  >
                    {item.label}
                  </Button>
                </td>
                <td className={item.basis === 'assumed' ? 'is-assumed' : ''}>
                  {item.basis === 'assumed' && '~'}
                  {units.weight(item.kg)}
                </td>
                <td>{at ? units.length(at.xM) : '–'}</td>
                <td>{(at && zones.get(at.zone)) ?? ''}</td>
                <td className="quiet">{item.state === 'stays' ? '' : STATES[item.state]}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}

/** Cables between what stands: how long they are, and how far apart their ends. */
export function Ways({ places, open }: { places: Places; open: (id: string) => void }) {
  const units = useUnits();
  if (places.ways.length === 0) return null;
  return (
    <section className="sheet-panel">
      <h1>{t('place.ways')}</h1>
      {places.feeds.map((f) => (
        <p key={f.unit} className={f.alongV > f.limitV ? 'way-short figures' : 'figures'}>
          {t('place.feed', {
            label: f.label,
            amps: f.amps,
            said: f.saidV.toFixed(2),
            saidM: units.length(f.saidM),
            along: f.alongV.toFixed(2),
            alongM: units.length(f.alongM),
            limit: f.limitV.toFixed(2),
          })}
        </p>
      ))}
      <p className="quiet">{t('place.waysNote')}</p>
      <table className="stands figures">
        <thead>
          <tr>
            <th>{t('place.cable')}</th>
            <th>{t('place.long')}</th>
            <th>{t('place.apart')}</th>
            <th>{t('place.along')}</th>
          </tr>
        </thead>
        <tbody>
          {places.ways.map((way) => (
            <tr key={way.id} className={way.short ? 'is-short' : ''}>
              <td>
                <Button type="link" onClick={() => open(way.id)}>
                  {way.label}
                </Button>
              </td>
              <td className={way.assumed ? 'is-assumed' : ''}>
                {way.assumed && '~'}
                {units.length(way.cableM)}
              </td>
              <td>{units.length(way.straightM)}</td>
              <td>{units.length(way.alongM)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

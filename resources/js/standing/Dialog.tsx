import type { PlaceItem, Places, Reference } from '../api/client';
import { t } from '../words/t';
import type { Opened, Values } from './opened';
import { RouteForm, type Segment } from './RouteForm';
import { StandingForm } from './StandingForm';

const MOTOR = ['frontKg', 'rearKg', 'maxFrontKg', 'maxRearKg'];
const TOWED = ['hitch', 'totalKg', 'couplerKg', 'maxCouplerKg', 'maxAxlesKg', 'axles'];

interface Props {
  opened: Opened;
  places: Places;
  said: Record<string, Values>;
  reference: Reference;
  mayChange: boolean;
  set: (path: string, value: unknown) => unknown;
  close: () => void;
}

/** What is taken of a part while nobody has said better. */
const usualOf = (item: PlaceItem): Record<string, number | undefined> => ({
  kg: item.kg,
  widthM: item.sides?.[0],
  heightM: item.sides?.[1],
  depthM: item.sides?.[2],
  clearanceM: item.clearanceM,
  xM: item.at?.xM,
  leftM: item.at?.leftM,
  upM: item.at?.upM,
});

/** What is asked about whatever was opened. */
export function Dialog({ opened, places, said, reference, mayChange, set, close }: Props) {
  const common = { reference, mayChange, close };
  const zones = places.zones.map((z) => ({ value: z.id, label: z.label }));
  if (opened.kind === 'rig') {
    const not = places.rig.motor ? TOWED : MOTOR;
    const fields = reference.place.rig;
    return (
      <StandingForm
        {...common}
        title={t('place.outline')}
        fields={fields}
        names={Object.keys(fields).filter((name) => !not.includes(name))}
        value={said.rig ?? {}}
        save={(value) => set('/rig', value)}
      />
    );
  }
  if (opened.kind === 'route') {
    const way = places.ways.find((w) => w.id === opened.id);
    const route = said.routes?.[opened.id] as { segments?: Record<string, Segment> } | undefined;
    return (
      way && (
        <RouteForm
          {...common}
          label={way.label}
          cableM={way.cableM}
          alongM={way.alongM}
          segments={route?.segments ?? {}}
          save={(segments) => set(`/routes/${opened.id}`, Object.keys(segments).length ? { segments } : null)}
        />
      )
    );
  }
  const fields = reference.place[opened.kind];
  const map = `${opened.kind}s`;
  const value = said[map]?.[opened.id];
  const item = places.items.find((i) => i.id === opened.id);
  const titles = {
    zone: (value?.label as string | undefined) ?? t('place.addZone'),
    thing: (value?.label as string | undefined) ?? t('place.addMass'),
    item: item?.label ?? opened.id,
  };
  return (
    <StandingForm
      {...common}
      title={titles[opened.kind]}
      fields={fields}
      names={Object.keys(fields).filter((name) => !['moves', 'zone', 'plan'].includes(name))}
      value={value ?? {}}
      save={(to) => set(`/${map}/${opened.id}`, to)}
      {...(value && opened.kind !== 'item' ? { takeOut: () => set(`/${map}/${opened.id}`, null) } : {})}
      {...(opened.kind === 'zone' ? {} : { zones })}
      {...(opened.kind === 'item' && item ? { usual: usualOf(item) } : {})}
    >
      {opened.kind === 'item' && item?.assumedSides && <p className="quiet">{t('place.sidesAssumed')}</p>}
    </StandingForm>
  );
}

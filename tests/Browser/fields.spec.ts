import { expect, test, type Page } from '@playwright/test';
import { openJob, signIn } from './helpers';

/*
 * Every kind of field of the drawers: chosen, typed, mistyped, and read back through the API. What is stored is what
 * was last shown as accepted, or nothing, and the refusal stands at the field.
 */

interface Form {
  kind: string;
  label: string;
  surveyed?: boolean;
  min: number;
  max: number;
  unit: string;
  choices: Record<string, string>;
  fields: Record<string, Form>;
}

interface Place {
  path: string[];
  form: Form;
}

const plain = (v: unknown): unknown =>
  typeof v === 'object' && v !== null && 'basis' in v ? (v as unknown as { value: unknown }).value : v;

const at = (part: unknown, path: string[]): unknown =>
  plain(path.reduce<unknown>((x, name) => (x as Record<string, unknown> | undefined)?.[name], part));

/** Fields of a form by their place, those of its plain groups among them. */
function places(fields: Record<string, Form>, path: string[] = []): Place[] {
  return Object.entries(fields).flatMap(([name, form]) =>
    form.kind === 'group' && Object.keys(form.fields).sort().join() !== 'at,port' && !['hot', 'neutral'].includes(name)
      ? places(form.fields, [...path, name])
      : [{ path: [...path, name], form }],
  );
}

class Desk {
  /** What is typed into a text: a name must stay one of its own. */
  words = '';

  constructor(
    readonly page: Page,
    readonly job: string,
  ) {}

  async part(id: string): Promise<Record<string, unknown>> {
    const design = (await this.page.request.get(`/api/v1/jobs/${this.job}`).then((r) => r.json())) as {
      document: { asFound: { components: Record<string, Record<string, unknown>> } };
    };
    return design.document.asFound.components[id]!;
  }

  async open(label: string): Promise<void> {
    await this.page
      .getByRole('button', { name: `Open ${label}`, exact: true })
      .first()
      .click();
    await expect(this.drawer()).toBeVisible();
    await this.drawer().evaluate((d) => d.querySelectorAll('details').forEach((rare) => (rare.open = true)));
  }

  drawer() {
    return this.page.locator('.ant-drawer-section, .ant-drawer-content').last();
  }

  done() {
    return this.drawer().getByRole('button', { name: 'Done', exact: true });
  }

  async close(): Promise<void> {
    await this.page.keyboard.press('Escape');
    await expect(this.page.locator('.ant-drawer-open')).toHaveCount(0);
  }

  /** Done, and either the drawer has gone or somebody is told why not. */
  async finish(): Promise<boolean> {
    // Where what was chosen is what stood there, nothing is sent: then the drawer goes at once.
    const answered = this.page
      .waitForResponse((r) => r.url().includes('/edits'), { timeout: 20_000 })
      .then((r) => r.ok())
      .catch(() => true);
    await this.done().click();
    const gone = this.page
      .locator('.ant-drawer-open')
      .waitFor({ state: 'hidden', timeout: 20_000 })
      .then(() => true)
      .catch(() => answered);
    const taken = await Promise.race([answered, gone]);
    if (taken) await expect(this.page.locator('.ant-drawer-open')).toHaveCount(0);
    else await this.close();
    return taken;
  }
}

/** Sets one field to a good value by hand; what it then must be, or nothing where there was no other choice. */
async function set(desk: Desk, { form }: Place, now: unknown): Promise<unknown> {
  const field = desk.drawer().getByLabel(form.label, { exact: true }).first();
  const red = desk.drawer().getByText('Put right what is red first.');
  switch (form.kind) {
    case 'flag':
      await field.click();
      return now !== true;
    case 'group':
    case 'ref':
    case 'terminal':
    case 'choice':
    case 'size': {
      // By keys, as the list scrolls under a pointer; the shown value is what must be kept.
      await field.focus();
      await field.press('ArrowDown');
      await desk.page.waitForTimeout(300);
      await field.press('ArrowDown');
      await field.press('Enter');
      const words = await field
        .locator('xpath=ancestor::*[contains(concat(" ", @class, " "), " ant-select ")][1]')
        .innerText();
      if (form.kind === 'choice') return Object.entries(form.choices).find(([, w]) => w === words.trim())?.[0];
      return words;
    }
    case 'number':
    case 'integer': {
      await field.fill('purple');
      await expect(desk.done()).toBeDisabled();
      await expect(red).toBeVisible();
      await expect(field).toHaveAttribute('aria-invalid', 'true');
      if (form.label.startsWith('Length') || form.unit === 'm') {
        await field.fill('17');
        await expect(desk.done()).toBeDisabled();
        await field.fill('7 ft 3 in');
        await expect(desk.done()).toBeEnabled();
        return 2.21;
      }
      await field.fill('1,500');
      await expect(desk.done()).toBeDisabled();
      await field.fill(String(form.max * 10 + 1));
      await expect(desk.done()).toBeDisabled();
      const good =
        typeof now === 'number' && now + 1 <= form.max ? now + 1 : Math.min(form.max, Math.max(form.min, 1) + 1);
      await field.fill(String(good));
      await expect(desk.done()).toBeEnabled();
      return good;
    }
    case 'text':
      await field.fill(desk.words);
      return desk.words;
    default:
      return undefined;
  }
}

test('each kind of field of the drawers is chosen, typed, mistyped, and read back', async ({ page }) => {
  test.setTimeout(420_000);
  await signIn(page);
  await openJob(page, 'Fields by hand');
  await page
    .getByRole('button', { name: /lithium/i })
    .first()
    .click();
  await expect(page.getByRole('heading', { name: 'Circuits', exact: true })).toBeVisible();
  const desk = new Desk(page, /jobs\/(\d+)/.exec(page.url())![1]!);
  const { forms, conductors } = (await page.request.get('/api/v1/reference').then((r) => r.json())) as {
    forms: Record<string, { fields: Record<string, Form> }>;
    conductors: { designation: string; spoken: string; areaMm2: number }[];
  };
  const design = (await page.request.get(`/api/v1/jobs/${desk.job}`).then((r) => r.json())) as {
    document: { asFound: { components: Record<string, { type: string; label: string }> } };
  };
  // One part of each kind that the survey opens.
  const parts = new Map<string, string>();
  for (const [id, c] of Object.entries(design.document.asFound.components))
    if (!parts.has(c.type) && (await page.getByRole('button', { name: `Open ${c.label}`, exact: true }).count()) > 0)
      parts.set(c.type, id);
  expect(parts.size).toBeGreaterThan(5);
  const kinds = new Map<string, number>();
  for (const [type, id] of parts) {
    const all = places(forms[type]!.fields).filter((p) =>
      ['flag', 'choice', 'size', 'number', 'integer', 'text', 'ref', 'terminal', 'group'].includes(p.form.kind),
    );
    const seen = new Set<string>();
    for (const place of all) {
      // One of each kind to a part: each needs a drawer opened, and an answer.
      const kind = place.form.unit === 'm' ? 'length' : place.form.kind;
      if (seen.has(kind) || place.path.at(-1) === 'order') continue;
      const before = await desk.part(id);
      await desk.open(String((before as { label: string }).label));
      const field = desk.drawer().getByLabel(place.form.label, { exact: true }).first();
      if ((await field.count()) === 0 || !(await field.isVisible())) {
        await desk.close();
        continue;
      }
      seen.add(kind);
      desk.words = `${type.replaceAll('_', ' ')} by hand`;
      const wanted = await set(desk, place, at(before, place.path));
      const taken = await desk.finish();
      const after = at(await desk.part(id), place.path);
      const where = `${type} ${place.path.join('/')}`;
      if (!taken) {
        expect(after, where).toEqual(at(before, place.path));
        continue;
      }
      if (place.form.kind === 'size') {
        const conductor = conductors.find((c) => c.designation === after);
        expect(String(wanted), where).toContain(conductor!.spoken);
      } else if (kind === 'length') expect(after as number, where).toBeCloseTo(2.21, 2);
      else if (['ref', 'terminal', 'group'].includes(kind)) {
        // What was chosen by its name is what stands there by its id.
        const to = kind === 'group' ? (after as { at: string }).at : String(after).split('.')[0]!;
        const named = to === 'frame' ? 'Frame' : String((await desk.part(to))?.label);
        expect(String(wanted).toLowerCase().startsWith(named.toLowerCase()), `${where}: ${String(wanted)}`).toBe(true);
      } else expect(after, where).toEqual(wanted);
      kinds.set(kind, (kinds.get(kind) ?? 0) + 1);
    }
  }
  for (const kind of ['flag', 'choice', 'size', 'number', 'integer', 'length', 'text', 'ref', 'terminal', 'group'])
    expect(kinds.get(kind) ?? 0, `${kind}: ${JSON.stringify([...kinds])}`).toBeGreaterThan(0);
  expect([...kinds.values()].reduce((a, b) => a + b, 0)).toBeGreaterThan(18);
});

test('a cell of the survey takes a size from the list, and no value from before a red one', async ({ page }) => {
  await signIn(page);
  await openJob(page, 'Cells by hand');
  await page.getByRole('button', { name: /30 A travel trailer, converter on a plug/ }).click();
  await expect(page.getByRole('heading', { name: 'Circuits', exact: true })).toBeVisible();
  const desk = new Desk(page, /jobs\/(\d+)/.exec(page.url())![1]!);
  const row = page.getByRole('row', { name: /Air conditioner/ });
  await row.getByTitle(/^Size of Air conditioner/).click();
  await row.getByRole('combobox', { name: 'Size', exact: true }).click({ force: true });
  await page.locator('.ant-select-item-option').filter({ hasText: '10 AWG (' }).click();
  await expect(row.getByTitle(/^Size of Air conditioner/)).toContainText('10 AWG');
  expect(at(await desk.part('c_air'), ['cable', 'size'])).toBe('awg:10');

  const before = at(await desk.part('c_air'), ['cable', 'lengthM']);
  await row.getByTitle(/^Length.* of Air conditioner/).click();
  const length = row.getByRole('textbox', { name: /^Length/ });
  await length.fill('9 ft');
  await length.fill('9 fathoms');
  await expect(row.getByRole('button', { name: 'Done' })).toBeDisabled();
  await length.press('Enter');
  await expect(row.getByRole('alert')).toContainText('Write a number and its unit');
  expect(at(await desk.part('c_air'), ['cable', 'lengthM'])).toBe(before);
  await length.fill('9 ft');
  await length.press('Enter');
  await expect(row.getByTitle(/^Length.* of Air conditioner/)).toContainText('9 ft');
  expect(at(await desk.part('c_air'), ['cable', 'lengthM'])).toBeCloseTo(2.743, 3);
});

test('a planned cable gets its size from the list', async ({ page }) => {
  await signIn(page);
  await openJob(page, 'Cables by hand');
  await page.getByRole('button', { name: /30 A travel trailer, converter on a plug/ }).click();
  await expect(page.getByRole('heading', { name: 'Circuits', exact: true })).toBeVisible();
  const job = /jobs\/(\d+)/.exec(page.url())![1]!;
  await page.getByRole('link', { name: 'Plan', exact: true }).click();
  await page.getByRole('button', { name: 'Plan a retrofit' }).click();
  await page.getByRole('radio', { name: /In line ahead/ }).click();
  await page.getByRole('radio', { name: 'taken out' }).check();
  await page.getByRole('button', { name: 'Plan it' }).click();
  await expect(page.locator('[data-plate=inverter]')).toBeVisible();
  await page.getByRole('link', { name: 'Size', exact: true }).click();
  await page.getByRole('button', { name: 'Open Bank to fuse', exact: true }).first().click();
  const drawer = page.locator('.ant-drawer-section, .ant-drawer-content').last();
  await expect(drawer).toBeVisible();
  await drawer.getByRole('combobox', { name: 'Size', exact: true }).first().click({ force: true });
  await page.locator('.ant-select-item-option').filter({ hasText: '2/0 AWG (' }).last().click();
  await drawer.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(page.locator('.ant-drawer-open')).toHaveCount(0);
  const design = (await page.request.get(`/api/v1/jobs/${job}`).then((r) => r.json())) as {
    document: { plans: Record<string, { changes: Record<string, { path?: string; value?: unknown }> }> };
  };
  const changes = Object.values(Object.values(design.document.plans)[0]!.changes);
  expect(changes.some((c) => c.path === '/cable/size' && plain(c.value) === 'awg:2/0')).toBe(true);
});

test('a new 12 V cable gets its ends and its size from lists', async ({ page }) => {
  await signIn(page);
  await openJob(page, 'A cable more');
  await page.getByRole('button', { name: /30 A travel trailer, converter on a plug/ }).click();
  await expect(page.getByRole('heading', { name: 'Circuits', exact: true })).toBeVisible();
  const job = /jobs\/(\d+)/.exec(page.url())![1]!;
  const pick = async (name: string, words: string) => {
    const field = page.getByRole('combobox', { name, exact: true }).last();
    await field.click({ force: true });
    await field.fill(words);
    await page.waitForTimeout(300);
    await field.press('Enter');
  };
  await pick('Kind of part to add', '12 V cable');
  const drawer = page.locator('.ant-drawer-section, .ant-drawer-content').last();
  await expect(drawer).toBeVisible();
  await drawer.getByRole('textbox', { name: 'Name', exact: true }).fill('Spare lead');
  await pick('From', '12 V panel');
  await pick('To', 'House');
  await pick('Size', '4 AWG (');
  await drawer.getByRole('textbox', { name: /^Length/ }).fill('purple');
  await expect(drawer.getByRole('button', { name: 'Add it' })).toBeDisabled();
  await drawer.getByRole('textbox', { name: /^Length/ }).fill('6 ft');
  await drawer.getByRole('button', { name: 'Add it' }).click();
  await expect(page.locator('.ant-drawer-open')).toHaveCount(0);
  const design = (await page.request.get(`/api/v1/jobs/${job}`).then((r) => r.json())) as {
    document: { asFound: { components: Record<string, Record<string, unknown>> } };
  };
  const lead = design.document.asFound.components.spare_lead!;
  expect(at(lead, ['cable', 'size'])).toBe('awg:4');
  expect(at(lead, ['cable', 'lengthM'])).toBeCloseTo(1.829, 3);
});

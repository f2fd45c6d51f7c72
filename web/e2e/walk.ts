import type { Page } from '@playwright/test';
import type { S, Trait, View } from '../src/api/client.ts';
import { expect, type Server } from './server.ts';

type Guide = { traits: Trait[]; hardGroups: { id: string }[]; health: string[] };
type Entry = S['TaxonPage'];

/** The server as a client of its own sees it, for setting a scene and for reading what is stored. */
export class Scene {
  guide!: Guide;
  constructor(readonly server: Server) {}

  async call<T>(method: string, path: string, body?: unknown): Promise<T> {
    const r = await fetch(this.server.address + path, {
      method,
      headers: body ? { 'content-type': 'application/json' } : {},
      ...(body ? { body: JSON.stringify(body) } : {}),
    });
    if (!r.ok) throw new Error(`${method} ${path}: ${r.status} ${await r.text()}`);
    return (await r.json()) as T;
  }

  find = (id: string) => this.call<View>('GET', `/api/finds/${id}`);

  /** A find about which everything but the evidence is answered. */
  async begin(
    id: string,
    facts: Partial<S['Facts']>,
    day: string,
    stages: string[],
    profile: Partial<S['Profile']> = {},
  ): Promise<void> {
    this.guide = await this.call('GET', '/api/guide');
    const signOffs = this.guide.hardGroups.map((g) => ({ group: g.id, by: 'a teacher', when: '2025' }));
    await this.call('PUT', `/api/people/${id}`, {
      name: id,
      profile: { colourDiffers: false, smellWeak: false, facts: [], answered: this.guide.health, signOffs, ...profile },
    });
    await this.call('POST', '/api/finds', {
      id,
      title: id,
      place: 'Tarn Wood, Quillow valley',
      day,
      person: id,
      stages,
      facts: { intent: 'eat', ground: 'clean', permission: 'yes', protected: 'no', limit: 'none known', ...facts },
    });
  }
}

/** What an entry shows of a trait at a stage: the state or the number to be read, or nothing. */
export function shows(entry: Entry, trait: Trait, stage: string): { label: string } | { value: number } | undefined {
  const cell = entry.cells.find((c) => c.trait.id === trait.id);
  const v = cell?.variants.find((x) => x.kind === 'described' && (x.stages.length === 0 || x.stages.includes(stage)));
  if (!v) return undefined;
  if (trait.kind === 'measure') return { value: (v.range[1]! + v.range[2]!) / 2 };
  const label = (v.by['always'] ?? v.by['usually'] ?? v.by['sometimes'])?.[0];
  return label ? { label } : undefined;
}

/** What says that a flower is open, a fruit full-sized, gills free: the entry is looked at in that stage. */
function fixed(trait: Trait): { label: string } | undefined {
  const state = { 'flowers-open': 'open', 'fruit-ripeness': 'full-size', 'veil-opening': 'gills-free-of-veil' }[
    trait.id
  ];
  const label = trait.states.find((s) => s.id === state)?.label;
  return label ? { label } : undefined;
}

/** Where the entry says nothing there is something to be seen all the same: what is likeliest. */
function guess(check?: S['Check']): { label: string } | undefined {
  const best = [...(check?.outcomes ?? [])].sort((a, b) => b.p - a.p)[0];
  return best && best.target !== 'never' ? { label: best.label } : undefined;
}

/** Taps the drawing with this word, behind “show more” if it is not among the first. */
export async function tap(page: Page, label: string): Promise<void> {
  const tile = page.locator('[role=group][aria-labelledby=check-q] button', {
    has: page.getByText(label, { exact: true }),
  });
  if ((await tile.count()) === 0) await page.getByRole('button', { name: /^None of these: show/ }).click();
  await tile.click();
}

/** Makes the check that is before the eyes, as the guide asks, with what the entry shows. */
async function answer(page: Page, trait: Trait, entry: Entry, stage: string, check?: S['Check']): Promise<void> {
  await expect(page.locator('#check-q')).toHaveText(trait.ask);
  const seen = trait.prepares
    ? { label: trait.states[0]!.label }
    : (fixed(trait) ?? shows(entry, trait, stage) ?? guess(check));
  const stored = page.waitForResponse((r) => r.url().endsWith('/log') && r.ok());
  const press = (name: string | RegExp) => page.getByRole('button', { name }).first().click();
  if (seen && (trait.count ?? 0) > 0) await press('3 or more');
  if (seen && (trait.wait ?? 0) > 0) await press(/(minutes|hours) or more$/);
  if (seen && trait.paper) await press('half dark, half light');
  if (seen && trait.better.length > 0) await press('I did');
  if (!seen) {
    await press('Couldn’t see it…');
    await page.getByRole('menuitem', { name: 'I looked and can’t tell' }).click();
  } else if ('value' in seen) {
    await page
      .getByLabel(trait.unit === 'count' ? 'How many' : 'Reading (cm, mm or in)')
      .fill(String(trait.unit === 'count' ? Math.round(seen.value) : seen.value));
    await page.getByRole('button', { name: 'Store it' }).click();
  } else if (seen.label === trait.states.find((s) => s.id === trait.absent)?.label) {
    await press('I examined it whole, and it is absent');
  } else {
    const at = trait.states.findIndex((s) => s.label === seen.label);
    expect(at).toBeGreaterThanOrEqual(0);
    await tap(page, seen.label);
  }
  await stored;
}

/** Follows what the bench offers until it has a verdict; returns the traits that were asked, in order. */
export async function walk(
  page: Page,
  scene: Scene,
  id: string,
  taxon: string,
  stage: string,
  most = 40,
  before?: (view: View, trait: Trait) => Promise<void>,
): Promise<{ asked: Trait[]; view: View }> {
  const entry = await scene.call<Entry>('GET', `/api/taxa/${taxon}`);
  const asked: Trait[] = [];
  for (;;) {
    const view = await scene.find(id);
    const j = view.patch.judgements[0]!;
    if (['checks-complete', 'leave-it'].includes(j.verdict) || asked.length >= most) return { asked, view };
    // What the condition of the find is comes before any check; else the offered one, else what is open.
    const open =
      j.obligations[0]?.code === 'answer-condition' || !j.next
        ? j.obligations.find((o) => o.trait)?.trait?.id
        : undefined;
    const next = open ?? j.next?.trait.id;
    if (!next) return { asked, view };
    const trait = scene.guide.traits.find((t) => t.id === next)!;
    if (open) {
      await page.keyboard.press('o');
      await page.getByRole('dialog').getByRole('button', { name: 'Do this check' }).first().click();
    }
    await before?.(view, trait);
    await answer(page, trait, entry, stage, j.next?.trait.id === next ? j.next : undefined);
    asked.push(trait);
  }
}

/** Moves the focus by Tab alone until it stands on something whose name fits. */
export async function tabTo(page: Page, name: RegExp, back = false): Promise<void> {
  for (let i = 0; i < 120; i++) {
    const here = await page.evaluate(() => {
      const e = document.activeElement as HTMLElement | null;
      return e?.getAttribute('aria-label') ?? (e?.closest('label')?.textContent || e?.textContent) ?? '';
    });
    if (name.test(here.trim())) return;
    await page.keyboard.press(back ? 'Shift+Tab' : 'Tab');
  }
  throw new Error(`the keyboard does not reach ${name}`);
}

/** Waits until a line of the log is stored. */
export const stored = (page: Page) => page.waitForResponse((r) => r.url().endsWith('/log') && r.ok());

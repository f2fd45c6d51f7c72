import { expect, test } from '@playwright/test';
import { differences } from '../src/api/changed.ts';
import { ago, size } from '../src/data/size.ts';
import { titleOf } from '../src/shell/titles.ts';
import { localDay } from '../src/theme/day.ts';

test('a day is the day of the machine', () => {
  // Half past eight in the evening, wherever this runs.
  expect(localDay(new Date(2026, 10, 7, 20, 30))).toBe('2026-11-07');
  expect(localDay(new Date(2026, 0, 1, 0, 5))).toBe('2026-01-01');
});

test('what differs between two states of a record, and nothing else', () => {
  const mine = {
    id: 'a',
    rev: 1,
    name: 'Moss',
    owner: '',
    limits: [{ kind: 'x' }],
    hosts: ['Oak'],
    pickingUntil: '2027',
  };
  const theirs = {
    id: 'a',
    rev: 4,
    name: 'Moss',
    limits: [{ kind: 'x' }, { kind: 'y' }],
    hosts: ['Oak', 'Birch'],
    pickingUntil: undefined,
  };
  expect(differences(mine, theirs)).toEqual([
    { field: 'limits', mine: '1 entries', theirs: '2 entries' },
    { field: 'hosts', mine: 'Oak', theirs: 'Oak, Birch' },
    { field: 'picking until', mine: '2027', theirs: 'nothing' },
  ]);
});

test('every page has a title, the nearest one', () => {
  const pages = [
    '/',
    '/walks/new',
    '/walks/:id',
    '/walks/:id/sheet',
    '/kitchen/sums',
    '/kitchen/:id',
    '/incident/new',
    '*',
  ].map((path) => ({ path, title: `the page ${path}` }));
  const titles = [
    '/',
    '/walks/new',
    '/walks/x',
    '/walks/x/sheet',
    '/kitchen/sums',
    '/kitchen/B1',
    '/incident/new',
    '/nowhere/at/all',
  ].map((path) => titleOf(path, pages));
  expect(new Set(titles.slice(0, 7)).size).toBe(7);
  expect(titles[2]).toContain('/walks/:id ');
  expect(titles[7]).toBe('Zesty Thicket');
});

test('sizes and times in words', () => {
  expect([size(812), size(4_213_000), size(412_000_000)]).toEqual(['812 bytes', '4.2 MB', '412 MB']);
  expect([ago(1000, 2000), ago(0, 60_000), ago(0, 47 * 3_600_000), ago(0, 72 * 3_600_000)]).toEqual([
    'just now',
    '1 minute ago',
    '47 hours ago',
    '3 days ago',
  ]);
});

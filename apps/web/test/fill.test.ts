import { renderToStaticMarkup } from 'react-dom/server';
import { createElement } from 'react';
import { describe, expect, it } from 'vitest';
import { Said } from '../src/ui/Said.js';
import { fill, list, many } from '../src/ui/fill.js';

describe('a sentence with places', () => {
  it('is filled, each place as often as it stands there', () => {
    expect(fill('{name} hosts; {name} alone, till {time}', { name: 'Mina', time: '10:45' })).toBe(
      'Mina hosts; Mina alone, till 10:45',
    );
  });
  it('takes what is filled in as it is, braces too', () => {
    expect(fill('“{said}” is said', { said: '{name} & $1' })).toBe('“{name} & $1” is said');
  });
});

describe('a number of things', () => {
  const STUDENTS = { one: '1 student of {group}', other: '{n} students of {group}' };
  it('is said in the form that goes with it, in groups of three digits', () => {
    const said = [0, 1, 2, 1200].map((n) => many(STUDENTS, n, { group: 'Port' }));
    expect(said).toEqual([
      '0 students of Port',
      '1 student of Port',
      '2 students of Port',
      '1,200 students of Port',
    ]);
  });
});

describe('several names', () => {
  it('are joined as they are spoken', () => {
    expect([[], ['Ada'], ['Ada', 'Bo'], ['Ada', 'Bo', 'Cy']].map(list)).toEqual([
      '',
      'Ada',
      'Ada and Bo',
      'Ada, Bo and Cy',
    ]);
  });
});

describe('a sentence with controls in it', () => {
  it('has them where it says, and dresses its own words', () => {
    const shown = createElement(Said<'{who} is away, <link>see more</link> or <b>wait</b>.'>, {
      as: '{who} is away, <link>see more</link> or <b>wait</b>.',
      who: createElement('i', null, 'Ada'),
      link: (text) => createElement('a', { href: '/' }, text),
      b: (text) => createElement('b', null, text),
    });
    expect(renderToStaticMarkup(shown)).toBe(
      '<i>Ada</i> is away, <a href="/">see more</a> or <b>wait</b>.',
    );
  });
});

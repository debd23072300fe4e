import { chapterFor } from './guide-link';
import { anchorOf } from '../parts/anchor';
import { CHAPTERS } from './chapters';

describe('the guide', () => {
  it('has a chapter for every page', () => {
    const names = CHAPTERS.map(({ name }) => name);
    for (const [url, name] of [
      ['/', 'begin'],
      ['/trips/gannet-rock-light', 'plan'],
      ['/trips/gannet-rock-light/wire?x=1', 'wire'],
      ['/trips/constructor/constructor', 'plan'],
      ['/gear', 'gear'],
      ['/sum', 'quick-sum'],
      ['/backup', 'settings'],
      ['/nowhere', 'begin'],
    ]) {
      expect(chapterFor(url)).withContext(url).toBe(name);
      expect(names).toContain(name);
    }
  });

  it('says in each chapter of a room what it answers, how to read it, what to try and what it does not know', () => {
    for (const { name, html } of CHAPTERS.filter((chapter) => chapter.name !== 'glossary')) {
      for (const part of [
        'What it answers',
        'How to read it',
        'Three things to try',
        'What it does not know',
      ])
        expect(html).withContext(name).toContain(`<h2>${part}</h2>`);
      expect(html.match(/<li>/g)?.length).withContext(name).toBe(3);
    }
  });

  it('has an anchor for every term of the glossary, each its own', () => {
    const glossary = CHAPTERS.find(({ name }) => name === 'glossary')!.html;
    const anchors = [...glossary.matchAll(/<h3 id="([^"]*)"/g)].map(([, anchor]) => anchor);
    expect(anchors.length).toBe(glossary.match(/<h3/g)!.length);
    expect(new Set(anchors).size).toBe(anchors.length);
    for (const term of [
      'Transmit duty cycle',
      'Reserve',
      'Usable capacity',
      'Assumed, label, measured, learned',
    ])
      expect(anchors).toContain(anchorOf(term));
    expect(anchors).toContain('continuous-and-peak-discharge');
  });
});

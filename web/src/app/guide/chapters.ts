import begin from '../../../../docs/guide/begin.md';
import bench from '../../../../docs/guide/bench.md';
import card from '../../../../docs/guide/card.md';
import debrief from '../../../../docs/guide/debrief.md';
import field from '../../../../docs/guide/field.md';
import gear from '../../../../docs/guide/gear.md';
import glossary from '../../../../docs/guide/glossary.md';
import logbook from '../../../../docs/guide/logbook.md';
import pack from '../../../../docs/guide/pack.md';
import plan from '../../../../docs/guide/plan.md';
import quick from '../../../../docs/guide/quick-sum.md';
import reach from '../../../../docs/guide/reach.md';
import rehearse from '../../../../docs/guide/rehearse.md';
import settings from '../../../../docs/guide/settings.md';
import size from '../../../../docs/guide/size.md';
import wire from '../../../../docs/guide/wire.md';
import { marked } from 'marked';
import { anchorOf } from '../parts/anchor';

/** A chapter of the guide: the same text as in docs/guide. */
export interface Chapter {
  readonly name: string;
  readonly title: string;
  readonly html: string;
}

/** In the order in which one meets the rooms. */
const TEXTS: readonly (readonly [string, string])[] = [
  ['begin', begin],
  ['quick-sum', quick],
  ['plan', plan],
  ['size', size],
  ['wire', wire],
  ['pack', pack],
  ['rehearse', rehearse],
  ['card', card],
  ['field', field],
  ['debrief', debrief],
  ['logbook', logbook],
  ['gear', gear],
  ['bench', bench],
  ['settings', settings],
  ['reach', reach],
  ['glossary', glossary],
];

export const CHAPTERS: readonly Chapter[] = TEXTS.map(([name, text]) => ({
  name,
  title: /^# (.*)$/m.exec(text)?.[1] ?? name,
  html: htmlOf(text),
}));

function htmlOf(text: string): string {
  const html = marked.parse(text, { async: false });
  return html
    .replaceAll('src="../screenshots/', 'loading="lazy" src="/guide-pictures/')
    .replaceAll(
      /<h3>(.*?)<\/h3>/g,
      (_, term: string) => `<h3 id="${anchorOf(term.replace(/&[a-z]+;/g, ' '))}">${term}</h3>`,
    );
}

import { importsOf, withPreloads } from './preload.mjs';

describe('the scripts that an index names', () => {
  it('are those that a script needs before it runs, not those that it may ask for', () => {
    const script =
      'import{a}from"./chunk-A.js";import"./chunk-B.js";const x=()=>import("./chunk-C.js");export{y}from"./chunk-D.js";';
    expect(importsOf(script)).toEqual(['chunk-A.js', 'chunk-B.js', 'chunk-D.js']);
  });

  it('are the main script’s and those that these need, each once', () => {
    const scripts = {
      'main-1.js': 'import"./chunk-A.js";import"./chunk-B.js";',
      'chunk-A.js': 'import"./chunk-B.js";import("./chunk-Z.js")',
      'chunk-B.js': 'import"./chunk-C.js";import"./chunk-A.js";',
      'chunk-C.js': '',
    };
    const index =
      '<head><link rel="icon" href="icon.svg"></head><link rel="modulepreload" href="chunk-A.js"><script src="main-1.js" type="module"></script>';
    const links = ['A', 'B', 'C']
      .map((name) => `<link rel="modulepreload" href="chunk-${name}.js">`)
      .join('');
    expect(withPreloads(index, (name) => scripts[name])).toBe(
      `<head><link rel="icon" href="icon.svg">${links}</head><script src="main-1.js" type="module"></script>`,
    );
    expect(() => withPreloads('<head></head>', () => '')).toThrowError(/no main script/);
  });
});

import { iconsKept, iconsUsed } from './icons.mjs';

describe('the icons of the page', () => {
  it('are those that its font has: npm run icons after one was put in or taken out', () => {
    expect(iconsUsed().length).toBeGreaterThan(20);
    expect(iconsKept()).toEqual(iconsUsed());
  });
});

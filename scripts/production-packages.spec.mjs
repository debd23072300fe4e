import { productionPackages } from './production-packages.mjs';

describe('the packages of a release', () => {
  const lock = {
    packages: {
      '': { devDependencies: { lint: '1' } },
      core: { dependencies: { sun: '1' } },
      server: { dependencies: { '@k/core': '1', web: '1', old: '1' }, devDependencies: { lint: '1' } },
      'node_modules/@k/core': { resolved: 'core', link: true },
      'node_modules/sun': {},
      'node_modules/web': { dependencies: { mime: '1', 'only-web': '1' } },
      'node_modules/mime': {},
      'node_modules/only-web': { dependencies: { web: '1' } },
      'node_modules/web/node_modules/mime': {},
      'server/node_modules/old': { dependencies: { 'only-old': '1', mime: '1' } },
      'node_modules/only-old': {},
      'node_modules/lint': {},
    },
  };

  it('are those that Node.js would find, in circles too, and none for development', () => {
    expect(productionPackages(lock, ['server'])).toEqual([
      'core',
      'node_modules/mime',
      'node_modules/only-old',
      'node_modules/only-web',
      'node_modules/sun',
      'node_modules/web',
      'node_modules/web/node_modules/mime',
      'server',
      'server/node_modules/old',
    ]);
  });

  it('leave out what is named, with all that only it needs', () => {
    const without = productionPackages(lock, ['server'], ['old']);
    expect(without).not.toContain('server/node_modules/old');
    expect(without).not.toContain('node_modules/only-old');
    expect(without).not.toContain('node_modules/mime');
  });

  it('say what the lock file lacks', () => {
    const broken = { packages: { server: { dependencies: { gone: '1' } } } };
    expect(() => productionPackages(broken, ['server'])).toThrowError(/no gone for server/);
  });
});

/** What the login page tells and asks. */
export interface LoginPage {
  /** Where to go on to. */
  readonly next: string;
  /** Proposed name of the device. */
  readonly device: string;
  /** It came over plain http from another machine. */
  readonly isPlain: boolean;
  /** What was wrong with the last attempt. */
  readonly problem?: string;
}

const SIGNS: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
};
const escaped = (text: string): string => text.replace(/[&<>"']/g, (sign) => SIGNS[sign]!);

/** The only page that answers without the passphrase. It needs nothing of the application, nor any script. */
export const loginPage = ({ next, device, isPlain, problem }: LoginPage): string => `<!doctype html>
<html lang="en">
  <head>
    <meta charset="utf-8" />
    <title>Log in, Knapsack</title>
    <meta name="viewport" content="width=device-width, initial-scale=1" />
    <link rel="stylesheet" href="/login/look.css" />
  </head>
  <body>
    <main>
      <h1>Knapsack</h1>
      <p>Trips, gear and logs open here with the passphrase of this Knapsack.</p>
      ${problem ? `<p class="problem" role="alert">${escaped(problem)}</p>` : ''}
      ${
        isPlain
          ? `<p class="caution"><b>This page came over plain http.</b> Others on the same Wi-Fi can read the passphrase as you send it. Log in only where you trust everyone on the network.</p>`
          : ''
      }
      <form method="post" action="/login">
        <input type="hidden" name="next" value="${escaped(next)}" />
        <label for="passphrase">Passphrase</label>
        <input id="passphrase" name="passphrase" type="password" autocomplete="current-password" maxlength="200" required autofocus />
        <label for="device">Name of this device</label>
        <input id="device" name="device" autocomplete="off" maxlength="40" value="${escaped(device)}" />
        <button type="submit">Log in</button>
      </form>
    </main>
  </body>
</html>
`;

/** The look of the login page, in the colours of the paper theme; ember where the device is set to dark. */
export const LOGIN_LOOK = `
:root { color-scheme: light dark; --paper: #f4f1e8; --raised: #faf8f2; --ink: #22302e; --slate: #2f5d7c; --on: #ffffff; --stop: #b43a23; --ochre: #8f5f08; }
@media (prefers-color-scheme: dark) {
  :root { --paper: #0d0503; --raised: #1a0a06; --ink: #ff9b7a; --slate: #ff7a52; --on: #0d0503; --stop: #ffb59c; --ochre: #ffb59c; }
}
* { box-sizing: border-box; }
body { margin: 0; background: var(--paper); color: var(--ink); font: 16px/1.45 system-ui, sans-serif; }
main { max-width: 26rem; margin: 0 auto; padding: 12vh 20px 40px; }
h1 { margin: 0 0 6px; font-size: 26px; }
p { margin: 0 0 16px; }
label { display: block; margin: 14px 0 4px; font-weight: 600; }
input:not([type='hidden']) { width: 100%; min-height: 48px; padding: 8px 12px; border: 2px solid var(--ink); border-radius: 4px; background: var(--raised); color: inherit; font: inherit; }
button { width: 100%; min-height: 52px; margin-top: 20px; border: 0; border-radius: 4px; background: var(--slate); color: var(--on); font: inherit; font-weight: 600; cursor: pointer; }
input:focus-visible, button:focus-visible { outline: 3px solid var(--slate); outline-offset: 2px; }
.problem, .caution { padding: 10px 14px; border-left: 4px solid var(--stop); background: var(--raised); }
.caution { border-left-color: var(--ochre); }
`;

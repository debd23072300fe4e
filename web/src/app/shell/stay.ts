/** Why this browser does not let the application stay on the device; null where it does. */
export type WhyNot = 'plain http' | 'browser' | null;

/** A browser lets an application stay that comes from its own machine or over https with a certificate that it trusts. */
export const whyNotStay = (
  secure: boolean = globalThis.isSecureContext,
  able: boolean = 'serviceWorker' in navigator,
): WhyNot => {
  if (!secure) return 'plain http';
  return able ? null : 'browser';
};

/** The same in words, with what works in its place. */
export function sayWhyNotStay(why: Exclude<WhyNot, null>): string {
  const reason =
    why === 'plain http'
      ? 'Over plain http from another machine a browser does not let an application stay on the device.'
      : 'This browser does not let an application stay on the device, perhaps because the window is a private one.';
  return `${reason} Keep this page open and do not reload it: it goes on without the server. Take the card along as PDF.`;
}

import helmet from 'helmet';

/**
 * SHA-256 of the only style attributes that stand in templates: ng-bootstrap's popover ("position: absolute;")
 * and modal ("z-index: 1055"). Styles that scripts set need no leave.
 */
const STATIC_STYLES = [
  "'sha256-32t0bJPIyxns/QqsW8RE3JGUERKnHL5RygHBgJvEanc='",
  "'sha256-ZImpjyxSqdretajIQ3vpAcTYroKrDlaSp3fWptNrHZo='",
];

/**
 * SHA-256 of the styles that packages bring with their components and Angular writes into the page: ng-bootstrap's modal and
 * datepicker, the drag and drop of Angular's CDK. All others stand in one file. A spec makes them anew from the packages.
 */
export const COMPONENT_STYLES: readonly string[] = [
  "'sha256-Hyj3QM7a6Tvc7wLCVXfHnC4uLS2a0Toj8Fw3SaipU20='",
  "'sha256-mI2Y8Pp76o1Os84P8s0njP14dZmoZcpnmdnZR7W32Wc='",
  "'sha256-1WdXxFtpSY99+m3Msmq1iheEz66oJLE7zM3wk9vX45o='",
  "'sha256-sXJToenNHcgZMjAOmjZzX23ukee+XPwRv82ihR37tPw='",
  "'sha256-27TZ/ojzFknsNrLxoYUu7S2FUd941jfFctTDVISxy8o='",
  "'sha256-1AzJ9WiG8i7NMC0lHN5PxN2mXxyXMka4RK+tM2POKU8='",
  "'sha256-tI5OGjOXfdbkxj5dcNYAmqoTrzYFQ1Ja3nPYyhMPafM='",
];

/**
 * What a browser may do with what comes from here. It is the same for every answer, so that a page kept on a device goes on under it.
 *
 * @param isPlain it is reached over plain http from other machines, where browsers take no headers about a page's isolation and
 * complain of them
 */
export const securityHeaders = (isPlain: boolean) =>
  helmet({
    ...(isPlain && { crossOriginOpenerPolicy: false, originAgentCluster: false }),
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'none'"],
        scriptSrc: ["'self'"],
        styleSrc: ["'self'", ...COMPONENT_STYLES],
        styleSrcAttr: ["'unsafe-hashes'", ...STATIC_STYLES],
        fontSrc: ["'self'"],
        imgSrc: ["'self'", 'data:'],
        connectSrc: ["'self'"],
        workerSrc: ["'self'"],
        manifestSrc: ["'self'"],
        baseUri: ["'self'"],
        formAction: ["'none'"],
        frameAncestors: ["'none'"],
      },
    },
    strictTransportSecurity: false,
  });

import lookUp from '@photostructure/tz-lookup';
import type { Coordinates } from './locator.js';

/** The time zone of a point by its IANA name, without a network. Source: the @photostructure/tz-lookup package. */
export const timeZoneAt = ({ latitudeDeg, longitudeDeg }: Coordinates): string =>
  lookUp(latitudeDeg, longitudeDeg);

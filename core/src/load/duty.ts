import { fixed } from '../say/quantity.js';
import { fail, succeed, type Result } from '../problem.js';
import { ACTIVITIES, type ActivityName } from './activity.js';
import { familyOf, MODES, sayMode, slotTiming, type Mode } from './mode.js';

/** A transmit share as it is counted on the air: so many pieces a minute of so many seconds, or one slot in so many. */
export type Duty =
  | { readonly in: 'pieces'; readonly perMinute: number; readonly seconds: number }
  | { readonly in: 'slots'; readonly oneIn: number };

/**
 * Share of the time with the transmitter on, 0 to 1. Source: convention of this project, docs/model.md.: calls a minute x seconds a call,
 * packets a minute x seconds a packet, or one slot in n x time on air / slot.
 *
 * @returns a sentence where a minute has not that many seconds, or the mode has no slots
 */
export function shareOfDuty(duty: Duty, mode: Mode): Result<number> {
  if (duty.in === 'slots') {
    const timing = slotTiming(mode);
    if (!timing)
      return fail({ code: 'no-slots', sentence: `${sayMode(mode)} has no slots; count calls a minute.` });
    if (!(duty.oneIn >= 1)) {
      return fail({
        code: 'more-than-all',
        sentence: 'One slot in one is every slot; more than that cannot be sent.',
      });
    }
    return succeed(timing.onAirS / timing.slotS / duty.oneIn);
  }
  const seconds = duty.perMinute * duty.seconds;
  if (!(seconds >= 0 && seconds <= 60)) {
    return fail({
      code: 'more-than-a-minute',
      sentence: `${tidy(duty.perMinute)} a minute of ${tidy(duty.seconds)} s each would be ${tidy(seconds)} s of transmitting in every minute; it has 60.`,
    });
  }
  return succeed(seconds / 60);
}

/** What a share means on the air: the reverse of {@link shareOfDuty}, so that an absurd figure is seen. */
export function dutyOf(share: number, mode: Mode): Duty {
  const timing = slotTiming(mode);
  if (timing) {
    return { in: 'slots', oneIn: share > 0 ? timing.onAirS / timing.slotS / share : Infinity };
  }
  const { seconds } = familyOf(mode).piece;
  return { in: 'pieces', perMinute: (share * 60) / seconds, seconds };
}

/** "5 calls of 6 s a minute", "every second slot", "1 slot in 5". */
export function sayDuty(share: number, mode: Mode): string {
  if (share <= 0) return 'never';
  const duty = dutyOf(share, mode);
  if (duty.in === 'slots') {
    if (duty.oneIn < 0.99) return 'more than every slot';
    if (duty.oneIn < 1.05) return 'every slot';
    if (Math.abs(duty.oneIn - 2) < 0.1) return 'every other slot';
    return `1 slot in ${fixed(duty.oneIn, duty.oneIn < 10 ? 1 : 0)}`;
  }
  const { name, seconds } = familyOf(mode).piece;
  const perHour = duty.perMinute < 1;
  const count = perHour ? duty.perMinute * 60 : duty.perMinute;
  const words = fixed(count, count < 10 ? 1 : 0);
  return `${words} ${name}${words === '1.0' ? '' : 's'} of ${tidy(seconds)} s ${perHour ? 'an hour' : 'a minute'}`;
}

/** Share of a data link's time on transmit, measured over exchanges with acknowledgements. Source: convention of this project, docs/model.md. */
const DATA_LINK_SHARE = 0.45;

/** The share that goes with an activity in a mode: slotted modes count their own slots, a data link its exchanges. */
export function usualShare(activity: ActivityName, mode: Mode): number {
  const timing = slotTiming(mode);
  if (activity === 'slots' && timing) return Math.round((50 * timing.onAirS) / timing.slotS) / 100;
  if (activity === 'relay' && MODES[mode] === 'dataLink') return DATA_LINK_SHARE;
  return ACTIVITIES[activity].share;
}

const tidy = (value: number): string => String(Number(value.toPrecision(3)));

import { ChangeDetectionStrategy, Component, computed, effect, inject, untracked } from '@angular/core';
import { FIELDS, readNumber, shownNumber, stopSentences, unitOf, type FieldName } from '@knapsack/contract';
import { noiseTable } from '@knapsack/contract/noise';
import { sayGain, SIZE_AIMS, spareKit, type SizeAim } from '@knapsack/contract/size';
import {
  costPerKiloLess,
  fixed,
  here,
  unitHere,
  type Kit,
  type KitLimits,
  kitName,
  plainSentence,
  planSentence,
  PROOF_NAMES,
  type Proof,
  PROOFS,
  sayChance,
  sayDuration,
  sayLastingShort,
  sayMoney,
  sayQuantity,
  type TriedKit,
} from '@knapsack/core';
import { BUILD_RULE } from '@knapsack/contract/requirements';
import { InlineChoiceComponent } from '../parts/inline-choice.component';
import { InlineNumberComponent } from '../parts/inline-number.component';
import { InlineTextComponent } from '../parts/inline-text.component';
import { ActivatedRoute, RouterLink } from '@angular/router';
import { SpeechService } from '../shell/speech.service';
import { ChanceStore } from '../trip/chance.store';
import { TripStore } from '../trip/trip.store';
import { RidgeComponent } from '../lanes/ridge/ridge.component';
import { SumComponent } from '../parts/sum.component';
import { RoomKeysDirective } from '../trip/room-keys.directive';
import { KitScatterComponent } from './kit-scatter.component';
import { RationComponent } from './ration.component';
import { weightSpread } from './kit-spread';
import { binds, LIMITS, type NumberLimit } from './size-limits';
import { SizeStore } from './size.store';
import { TradeCurveComponent } from './trade-curve.component';
import { ForecastStore } from '../trip/forecast.store';

interface Pick {
  readonly words: string;
  readonly kit: TriedKit;
}

/** The Size room: which battery and which panel, with what chance, for what weight and money. */
@Component({
  selector: 'ks-size',
  imports: [
    InlineChoiceComponent,
    InlineNumberComponent,
    InlineTextComponent,
    KitScatterComponent,
    RationComponent,
    RidgeComponent,
    RouterLink,
    SumComponent,
    TradeCurveComponent,
  ],
  providers: [SizeStore],
  hostDirectives: [RoomKeysDirective],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './size.page.html',
})
export class SizePage {
  protected readonly store = inject(SizeStore);
  protected readonly plan = inject(TripStore);
  protected readonly forecast = inject(ForecastStore);
  protected readonly chance = inject(ChanceStore);
  protected readonly limits = LIMITS;
  protected readonly aims = Object.entries(SIZE_AIMS).map(([name, label]) => ({
    name: name as SizeAim,
    label,
  }));
  protected readonly asked = computed(() => `${Math.round(this.store.options().chance * 100)} of 100`);
  /** That kits are held against the next build as well. */
  protected readonly build = computed(() =>
    this.store.effective().requirements ? ' and all that the next build must do' : '',
  );
  protected readonly limitTexts = computed(() => {
    const { limits } = this.store.effective();
    return Object.fromEntries(
      LIMITS.map(({ name, field }) => {
        const value = limits[name];
        return [name, value === undefined ? '' : shownNumber(FIELDS[field], value, 5)];
      }),
    );
  });
  protected readonly units: Record<string, string> = {
    grams: unitOf(FIELDS.carryLimitG),
    price: 'price',
    litres: 'l',
    pieces: 'pieces',
  };

  /** The answer in a sentence's parts: each kit that stands out, once. */
  protected readonly picked = computed<readonly Pick[]>(() => {
    const picks = this.store.picks();
    if (!picks) return [];
    const { lightest, cheapest, effortless, best } = picks;
    const all: readonly (readonly [string, TriedKit | null])[] = [
      ['The lightest', lightest],
      ['The cheapest', cheapest],
      ['With the panel left flat', effortless],
      ['The surest', best],
    ];
    return all.flatMap(([words, kit], index) =>
      kit && all.findIndex(([, other]) => other?.rank === kit.rank) === index ? [{ words, kit }] : [],
    );
  });
  /** The cheap and heavy kit and the light and dear one as one question. */
  protected readonly kiloLess = computed(() => {
    const { lightest, cheapest } = this.store.picks() ?? {};
    if (!lightest || !cheapest) return null;
    const money = costPerKiloLess(cheapest.kit, lightest.kit);
    return (
      money &&
      `From the cheapest to the lightest, each ${unitHere('kg')} less costs ${sayMoney(money / here(1, 'kg'))}.`
    );
  });
  /** Two batteries of which one is enough. */
  protected readonly spare = computed(() => {
    const state = this.store.state();
    return state?.finished ? spareKit(state.tried, state.found.batteries, this.store.options().chance) : null;
  });
  protected readonly sources = [
    { value: 'shelf', label: 'my shelf' },
    { value: 'sold', label: 'sizes that are sold, typical figures' },
  ] as const;
  protected readonly proofs = PROOF_NAMES.map((value) => ({
    value,
    label: PROOFS[value].label,
  }));
  /** Where nothing makes it: the surest kit there is, and what stands in the way. */
  protected readonly nothing = computed(() => {
    const state = this.store.state();
    const picks = this.store.picks();
    if (!state?.finished || !picks || picks.lightest) return null;
    const [first] = state.ruledOut;
    // Where every kit breaks a rule that is no limit: the one that most of them break.
    const mostly = state.of === 0 && first && !binds(first.rule) ? first : null;
    return {
      best: picks.best,
      nearest: state.nearest,
      // Of what the next build must do, rather than of a limit that bars what is large.
      binds: mostly
        ? null
        : (state.ruledOut.find(({ rule }) => rule.startsWith(BUILD_RULE)) ??
          state.ruledOut.find(({ rule }) => binds(rule)) ??
          null),
      kits: state.of,
      mostly,
    };
  });
  /** The verdict on what is in the bag, tried on or not, with its odds. */
  protected readonly inBag = computed(() => {
    const view = this.forecast.view();
    if (!view) return '';
    const wire = this.chance.wire();
    const told = {
      chance: this.chance.chance(),
      wouldDoAh: this.chance.wouldDoAh(),
      stops: wire ? stopSentences(view.verdict, wire) : [],
    };
    return plainSentence(planSentence(view.verdict, told, this.plan.trip()?.place.timeZone ?? 'UTC'));
  });
  protected readonly frontTitle = computed(() =>
    this.store.by() === 'weight'
      ? 'Lighter or surer: nothing beats these'
      : 'Cheaper or surer: nothing beats these',
  );
  protected readonly draws = computed(() =>
    sayQuantity({ value: this.forecast.view()?.verdict.plannedAh ?? 0, unit: 'Ah' }),
  );
  protected readonly front = computed(() => this.store.state()?.fronts[this.store.by()] ?? []);
  protected readonly progress = computed(() => {
    const state = this.store.state();
    return state && state.of > 0 ? state.done / state.of : 0;
  });
  protected readonly standing = computed(() => {
    const state = this.store.state();
    if (this.store.stopped()) return 'Stopped.';
    if (!state) return 'Laying out the shelf …';
    const tried = `${state.done} of ${state.of} kits`;
    return state.finished
      ? `${state.of} kits, each tried in ${state.found.samples} simulated outings.`
      : `${tried} tried …`;
  });

  constructor() {
    // The logbook's list sends one here to ask for the lightest kit that meets all of it.
    if (inject(ActivatedRoute).snapshot.queryParamMap.has('build')) this.store.holdAgainstBuild(true);
    const speech = inject(SpeechService);
    // A search says when it begins and when it ends, not what it counts meanwhile.
    let wasBusy = false;
    effect(() => {
      const busy = this.store.busy();
      untracked(() => {
        if (busy && !wasBusy) speech.say('Looking for kits that last.');
        if (!busy && wasBusy) speech.say(this.store.stopped() ? 'The search is stopped.' : this.standing());
        wasBusy = busy;
      });
    });
  }

  protected name({ kit }: { readonly kit: Kit }): string {
    const found = this.store.state()?.found;
    return found ? kitName(found.batteries[kit.battery], found.suns[kit.sun]) : '';
  }

  protected readonly duration = sayDuration;
  /** With how sure it is, where the parts say that: "2.50 kg ± 0.38". */
  protected weight = ({ kit }: { readonly kit: Kit }): string => {
    const words = sayQuantity({ value: kit.grams, unit: 'g' });
    const found = this.store.state()?.found;
    const spread = found ? weightSpread(kit, found, this.store.stock()) : 0;
    return spread === 0 ? words : `about ${words} (± ${sayQuantity({ value: spread, unit: 'g' })})`;
  };
  /** What one would gain by a kit over the battery, panel and controller that are in the bag. */
  protected against({ kit, chance }: TriedKit): string {
    const words = sayGain(
      { grams: kit.grams, chance },
      { grams: this.store.inBagG(), chance: this.chance.chance()?.chance ?? null },
    );
    return words && `: ${words}`;
  }

  protected readonly stockName = computed(() =>
    this.store.from() === 'shelf' ? 'your shelf' : 'the sizes that are sold',
  );
  /** Told in the sentence where it is a typical price: one's own is in the list. */
  protected cost({ kit }: { readonly kit: Kit }): string {
    return this.store.from() === 'sold' && kit.price !== null ? `, about ${sayMoney(kit.price)}` : '';
  }
  protected price = ({ kit }: TriedKit): string => (kit.price === null ? '' : sayMoney(kit.price));
  protected readonly percent = sayChance;
  protected readonly lasting = sayLastingShort;
  protected error = ({ standardError }: TriedKit): string => `± ${fixed(standardError * 100, 1)}`;

  protected setChance(chance: number): void {
    this.plan.edit((trip) => ({ ...trip, targetChance: chance }));
  }

  protected refuseLimit =
    (field: FieldName) =>
    (text: string): string | null => {
      if (text === '') return null;
      const read = readNumber(FIELDS[field], text);
      return 'problem' in read ? `${read.problem} Leave it empty for no limit.` : null;
    };

  protected setLimit(name: NumberLimit, field: FieldName, text: string): void {
    const read = text === '' ? null : readNumber(FIELDS[field], text);
    this.store.change((options) => {
      const { [name]: _before, ...others } = options.limits;
      const limits: KitLimits = read && 'value' in read ? { ...others, [name]: read.value } : others;
      return { ...options, limits };
    });
  }

  protected setProof(proof: Proof): void {
    this.store.change((options) => {
      const { proof: _before, ...limits } = options.limits;
      return { ...options, limits: proof === 'none' ? limits : { ...limits, proof } };
    });
  }

  /** Bands that somebody has listened on. */
  protected readonly bands = computed(() => {
    const { bands } = noiseTable(this.store.stock());
    const asked = this.store.options().quietOn;
    const all = asked && !bands.includes(asked) ? [...bands, asked] : bands;
    return all.length === 0
      ? []
      : [{ value: '', label: 'any band or none' }, ...all.map((band) => ({ value: band, label: band }))];
  });

  protected setQuiet(band: string): void {
    this.store.change(({ quietOn: _before, ...options }) => (band ? { ...options, quietOn: band } : options));
  }

  protected stands = ({ kit }: TriedKit): string => (kit.proof ? PROOFS[kit.proof].label : 'not entered');

  protected toggleAim(aim: SizeAim): void {
    this.store.change((options) => {
      const aims = options.aims.includes(aim)
        ? options.aims.filter((one) => one !== aim)
        : [...options.aims, aim];
      return { ...options, aims };
    });
  }

  protected toggleWished(): void {
    this.store.change((options) => ({ ...options, wished: !options.wished }));
  }
}

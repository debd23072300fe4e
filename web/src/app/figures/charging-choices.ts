import { CHARGE_LAWS, type Charger, type ControllerGear } from '@knapsack/contract';
import { choicesOf, type Choice } from '../parts/choices';
import { among, yesNo, type GearChoice } from './gear-choice';
import { profileChoices } from './profile-choices';

const CONTROLLERS: readonly Choice<ControllerGear['type']>[] = [
  { value: 'mppt', label: 'MPPT' },
  { value: 'boost', label: 'boost MPPT' },
  { value: 'pwm', label: 'PWM' },
  { value: 'usb', label: 'cells on the panel’s USB socket' },
];

/** What can be said of a charge controller in a few words. */
export const controllerChoices = (gear: ControllerGear): readonly GearChoice[] => [
  among({
    label: 'Kind of controller',
    value: gear.type,
    choices: CONTROLLERS,
    picked: (type) => ({ ...gear, type }),
  }),
  ...(gear.type === 'pwm'
    ? [yesNo(gear, 'limitsCurrent', 'Current above its limit', ['is held back', 'passes through'])]
    : []),
  ...(gear.type === 'usb'
    ? []
    : [
        yesNo(gear, 'wakesBattery', 'A battery that switched off', ['is woken by it', 'is not']),
        yesNo(gear, 'compensates', 'Charge volts in the cold', ['are raised for lead-acid', 'stay the same']),
        yesNo(gear, 'equalises', 'A flooded battery', ['is equalised now and then', 'is never equalised']),
      ]),
  ...profileChoices(gear),
];

/** What can be said of a charger in a few words. */
export const chargerChoices = (gear: Charger): readonly GearChoice[] => [
  among<Charger['from']>({
    label: 'Charges from',
    value: gear.from,
    choices: [
      { value: 'mains', label: 'the mains' },
      { value: 'vehicle', label: 'a vehicle' },
    ],
    picked: (from) => ({ ...gear, from }),
  }),
  among({
    label: 'Charges',
    value: gear.law ?? 'stages',
    choices: choicesOf(CHARGE_LAWS),
    picked: (law) => ({ ...gear, law }),
  }),
  ...(gear.from === 'vehicle'
    ? [
        yesNo(gear, 'isolated', 'With the engine off', [
          'is cut off from the starter battery',
          'goes on charging',
        ]),
      ]
    : []),
  ...profileChoices(gear),
];

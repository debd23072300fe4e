/** Every rule that a kit's wiring is checked against: its topic and its reason. docs/rules.md gives the sources. */
export const RULES = {
  missing: {
    title: 'missing part',
    why: 'A station needs a radio and a battery, a panel its controller.',
  },
  continuous: {
    title: 'continuous discharge',
    why: 'Over its continuous limit the BMS cuts off, or the cells heat up.',
  },
  peak: { title: 'peak discharge', why: 'Voice peaks and dashes last long enough to open a protection.' },
  limit: {
    title: 'discharge limit',
    why: 'Small cells give way at currents that a larger battery does not notice.',
  },
  supply: {
    title: 'capacity of the supply',
    why: 'A regulated supply that is too small lets its volts fall on every peak.',
  },
  cellEnd: {
    title: 'end of charge',
    why: 'A charger that ends too early looks done and has filled nothing.',
  },
  cellsOut: { title: 'cells on the charger', why: 'A cell is either in the radio or on its charger.' },
  startUp: {
    title: 'start-up current',
    why: 'An amplifier fills its capacitors at once, and what feeds it may take that for a short circuit.',
  },
  asleep: {
    title: 'automatic switch-off',
    why: 'Many a power station takes a receiver for nothing at all and switches off.',
  },
  parallel: {
    title: 'batteries in parallel',
    why: 'Unlike packs in parallel drive current into each other.',
  },
  disconnect: {
    title: 'low-voltage disconnect',
    why: 'Lithium and lead-acid batteries are ruined when they are emptied too far.',
  },
  cold: {
    title: 'charging in the cold',
    why: 'Charged below freezing, lithium plates out on the cells, and NiMH gasses.',
  },
  primary: { title: 'charging of primary cells', why: 'Charged, such cells leak or burst.' },
  hot: {
    title: 'charging in the heat',
    why: 'Above 45 °C (113 °F) lithium ages fast while it is charged.',
  },
  freeze: {
    title: 'freezing',
    why: 'The acid of an empty lead-acid battery is little more than water.',
  },
  changeover: {
    title: 'change-over switch',
    why: 'Batteries at different charge that meet drive current into each other.',
  },
  resort: {
    title: 'protection as the only disconnect',
    why: 'The protection inside a battery is made for faults, not for every night.',
  },
  settings: {
    title: 'settings of the disconnect',
    why: 'What takes the loads off decides when the outing ends.',
  },
  air: { title: 'by air', why: 'A lithium fire in an aircraft cannot be put out.' },
  storage: {
    title: 'storage',
    why: 'A few milliamps for weeks ruin a lead-acid battery.',
  },
  fuse: {
    title: 'fuse at the battery',
    why: 'The battery itself feeds a short circuit; only a fuse near it stops that.',
  },
  reach: {
    title: 'distance of the fuse',
    why: 'What lies between battery and fuse is protected by nothing.',
  },
  interrupts: {
    title: 'breaking capacity of the fuse',
    why: 'A fuse that cannot break the current burns on as an arc.',
  },
  fuseVolts: {
    title: 'voltage of the fuse',
    why: 'Direct current goes on as an arc where a fuse is too short.',
  },
  carries: { title: 'rating of the fuse', why: 'A fuse near its rating opens with time and heat.' },
  guards: {
    title: 'fuse and wire',
    why: 'The fuse has to open before the thinnest piece behind it gets hot.',
  },
  sold: { title: 'choice of fuse', why: 'It has to carry the load and protect the wire at once.' },
  ampacity: {
    title: 'current in the wire',
    why: 'A thin wire gets hot, most of all where it is coiled up.',
  },
  drop: {
    title: 'voltage drop',
    why: 'What is lost on the cable is missing at the radio, most at key-down.',
  },
  rating: { title: 'current in the connectors', why: 'Small contacts melt long before the wire does.' },
  mating: {
    title: 'connector fit',
    why: 'At home there is a drawer of adapters, on the hill there is none.',
  },
  polarity: { title: 'polarity', why: 'Reversed polarity destroys a radio the moment it is connected.' },
  pin: { title: 'bare live pin', why: 'A bare pin that is live shorts on the first key ring.' },
  copper: { title: 'wire material', why: 'Aluminium under a skin of copper looks the same and loses more.' },
  floor: {
    title: 'voltage at the radio',
    why: 'A radio folds back or shuts off on peaks although there is charge left.',
  },
  charging: { title: 'voltage while charging', why: 'Charging volts are higher than the battery’s own.' },
  full: {
    title: 'voltage of a full battery',
    why: 'Volts over a radio’s maximum can destroy it at once.',
  },
  straight: {
    title: 'panel without controller',
    why: 'A panel without load stands at nearly twice the battery’s volts.',
  },
  input: { title: 'panel voltage in the cold', why: 'A panel’s volts rise as it gets colder.' },
  current: {
    title: 'current of the controller',
    why: 'A PWM controller passes on all that the panel gives.',
  },
  noEnd: {
    title: 'end of the charge',
    why: 'Lithium that is charged on and on is overcharged, and may burn.',
  },
  starter: {
    title: 'starter battery',
    why: 'A vehicle that does not start is a long walk.',
  },
  generator: {
    title: 'power of the generator',
    why: 'A generator that has to give too much trips, or burns out what hangs on it.',
  },
  quiet: { title: 'quiet hours', why: 'A generator is heard farther than a radio.' },
  accepts: {
    title: 'charge current',
    why: 'The controller decides what comes: too much opens a lithium battery’s protection and makes lead-acid batteries gas.',
  },
  profile: {
    title: 'charge profile',
    why: 'The wrong end of charge overfills some chemistries and never fills others.',
  },
  wake: { title: 'waking the battery', why: 'A protection that has opened shows the controller no battery.' },
  setpoint: {
    title: 'charge voltage',
    why: 'A few tenths of a volt too many open lithium’s protection and make lead-acid batteries gas.',
  },
  strings: { title: 'string fuses', why: 'Three panels together can burn the cable of one.' },
  shock: { title: 'electric shock', why: 'Over 60 V direct current gives a shock and draws an arc.' },
  terminals: { title: 'load terminals', why: 'Load terminals are switches made for lamps.' },
  noise: { title: 'noise', why: 'A controller that hisses costs more contacts than a dark hour.' },
  rf: { title: 'radio frequency on the cables', why: 'A long cable beside an antenna is a part of it.' },
  inverter: {
    title: 'mains inverter',
    why: 'It takes standby current all the time, and its volts can kill.',
  },
  outlet: { title: 'mains outlet', why: 'Its volts can kill.' },
  supplyVolts: {
    title: 'voltage of the supply',
    why: 'A converter or a socket of the wrong voltage destroys what it feeds at once.',
  },
  totalDrop: {
    title: 'voltage drop in all',
    why: 'Several cables that are good enough one by one can lose too much together.',
  },
  chargerCable: {
    title: 'cable of the charger',
    why: 'A charger feeds its cable from one end and the battery from the other.',
  },
  overcharge: {
    title: 'protection of single cells',
    why: 'Without a protection a single cell can be overcharged although the whole pack is not.',
  },
  equalising: { title: 'equalising', why: 'A sealed battery loses its water by the safety valve.' },
  coldUse: {
    title: 'discharging in the cold',
    why: 'The electrolyte of a battery stiffens in deep cold.',
  },
  panelVolts: {
    title: 'panel and battery voltage',
    why: 'A step-down controller needs more volts from the panel than the battery has.',
  },
  suspended: { title: 'not checked yet', why: 'Without currents most rules have nothing to hold against.' },
  unknown: { title: 'not entered', why: 'A rule needs a figure on both sides.' },
} as const;

export type RuleName = keyof typeof RULES;

/** Rules whose stops a change of fuse, wire or connectors can mend. */
const MENDED_BY_WIRING: ReadonlySet<RuleName> = new Set([
  ...(['fuse', 'fuseVolts', 'carries', 'guards', 'ampacity', 'rating', 'drop'] as const),
]);

/** Why a stop has no change to apply, in one sentence. */
export const describeNoRemedy = (rule: RuleName): string =>
  MENDED_BY_WIRING.has(rule)
    ? 'No fuse, wire and connectors of the usual sizes put this right together.'
    : 'No change to the wiring puts this right: it takes other gear, other settings or another plan.';

/** Whether a negative fuse belongs in. Source: usual practice of vehicle and portable wiring; the radio’s own manual goes first. */
export const NEGATIVE_FUSE =
  'The fuse belongs in the positive cable. A second one in the negative cable is needed only where a radio’s manual calls for it and the radio is connected straight to a vehicle’s battery; on a battery that feeds nothing else it is advised against: if it opens, the return current looks for a way through antenna and microphone cables.';

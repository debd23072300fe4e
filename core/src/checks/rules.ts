/** Every rule that a kit's wiring is held against, with its reason. Where each comes from stands in docs/model.md. */
export const RULES = {
  missing: {
    title: 'all parts there',
    why: 'A station needs a radio and a battery, a panel its controller.',
  },
  continuous: {
    title: 'continuous discharge',
    why: 'Over its continuous limit the BMS cuts off, or the cells heat up.',
  },
  peak: { title: 'peak discharge', why: 'Voice peaks and dashes last long enough to open a protection.' },
  limit: {
    title: 'discharge limit known',
    why: 'Small cells give way at currents that a larger battery does not notice.',
  },
  supply: {
    title: 'supply large enough',
    why: 'A regulated supply that is too small lets its volts fall on every peak.',
  },
  cellEnd: {
    title: 'cells get full',
    why: 'A charger that ends too early looks done and has filled nothing.',
  },
  cellsOut: { title: 'a set that waits', why: 'A cell is either in the radio or on its charger.' },
  startUp: {
    title: 'start-up current',
    why: 'An amplifier fills its capacitors at once, and what feeds it may take that for a short circuit.',
  },
  asleep: {
    title: 'power station stays on',
    why: 'Many a power station takes a receiver for nothing at all and switches off.',
  },
  parallel: { title: 'packs alike', why: 'Unlike packs in parallel drive current into each other.' },
  disconnect: {
    title: 'low-voltage disconnect',
    why: 'Lithium and lead-acid batteries are ruined when they are emptied too far.',
  },
  cold: {
    title: 'no charging in the cold',
    why: 'Charged below freezing, lithium plates out on the cells, and NiMH gasses.',
  },
  primary: { title: 'cells that cannot be charged', why: 'Charged, such cells leak or burst.' },
  hot: {
    title: 'no charging in the heat',
    why: 'Above 45 °C (113 °F) lithium ages fast while it is charged.',
  },
  freeze: {
    title: 'lead-acid does not freeze',
    why: 'The acid of an empty lead-acid battery is little more than water.',
  },
  changeover: {
    title: 'one battery at a time',
    why: 'Batteries at different charge that meet drive current into each other.',
  },
  resort: {
    title: 'protection as a last resort',
    why: 'The protection inside a battery is made for faults, not for every night.',
  },
  settings: { title: 'disconnect entered', why: 'What takes the loads off decides when the outing ends.' },
  air: { title: 'by air', why: 'A lithium fire in an aircraft cannot be put out.' },
  storage: {
    title: 'nothing takes current in storage',
    why: 'A few milliamps for weeks ruin a lead-acid battery.',
  },
  fuse: {
    title: 'fuse at the battery',
    why: 'The battery itself feeds a short circuit; only a fuse near it stops that.',
  },
  reach: { title: 'fuse within reach', why: 'What lies between battery and fuse is protected by nothing.' },
  interrupts: {
    title: 'fuse breaks a short circuit',
    why: 'A fuse that cannot break the current burns on as an arc.',
  },
  fuseVolts: {
    title: 'fuse made for the volts',
    why: 'Direct current goes on as an arc where a fuse is too short.',
  },
  carries: { title: 'fuse rated for the load', why: 'A fuse near its rating opens with time and heat.' },
  guards: {
    title: 'fuse protects the wire',
    why: 'The fuse has to open before the thinnest piece behind it gets hot.',
  },
  sold: { title: 'a fuse can be had', why: 'It has to carry the load and protect the wire at once.' },
  ampacity: {
    title: 'wire carries the current',
    why: 'A thin wire gets hot, most of all where it is coiled up.',
  },
  drop: { title: 'volts lost', why: 'What is lost on the cable is missing at the radio, most at key-down.' },
  rating: { title: 'connectors carry the current', why: 'Small contacts melt long before the wire does.' },
  mating: {
    title: 'connectors go together',
    why: 'At home there is a drawer of adapters, on the hill there is none.',
  },
  polarity: { title: 'polarity', why: 'Reversed polarity destroys a radio the moment it is connected.' },
  pin: { title: 'live side shrouded', why: 'A bare pin that is live shorts on the first key ring.' },
  copper: { title: 'copper wire', why: 'Aluminium under a skin of copper looks the same and loses more.' },
  floor: {
    title: 'full power at the lowest state of charge',
    why: 'A radio folds back or shuts off on peaks although there is charge left.',
  },
  charging: { title: 'radio survives charging', why: 'Charging volts are higher than the battery’s own.' },
  full: {
    title: 'radio survives a full battery',
    why: 'Volts over a radio’s maximum can destroy it at once.',
  },
  straight: {
    title: 'panel through a controller',
    why: 'A panel without load stands at nearly twice the battery’s volts.',
  },
  input: { title: 'controller input in the cold', why: 'A panel’s volts rise as it gets colder.' },
  current: {
    title: 'controller carries the panel',
    why: 'A PWM controller passes on all that the panel gives.',
  },
  noEnd: {
    title: 'a charge that ends',
    why: 'Lithium that is charged on and on is overcharged, and may burn.',
  },
  starter: {
    title: 'starter battery',
    why: 'A vehicle that does not start is a long walk.',
  },
  generator: {
    title: 'generator large enough',
    why: 'A generator that has to give too much trips, or burns out what hangs on it.',
  },
  quiet: { title: 'quiet at night', why: 'A generator is heard farther than a radio.' },
  accepts: {
    title: 'battery takes the charge',
    why: 'The controller decides what comes: too much opens a lithium battery’s protection and makes lead-acid batteries gas.',
  },
  profile: {
    title: 'charge profile',
    why: 'The wrong end of charge overfills some chemistries and never fills others.',
  },
  wake: { title: 'wakes the battery', why: 'A protection that has opened shows the controller no battery.' },
  setpoint: {
    title: 'set point of the controller',
    why: 'A few tenths of a volt too many open lithium’s protection and make lead-acid batteries gas.',
  },
  strings: { title: 'fuse in each string', why: 'Three panels together can burn the cable of one.' },
  shock: { title: 'volts that hurt', why: 'Over 60 V direct current gives a shock and draws an arc.' },
  terminals: { title: 'load terminals', why: 'Load terminals are switches made for lamps.' },
  noise: { title: 'noise', why: 'A controller that hisses costs more contacts than a dark hour.' },
  rf: { title: 'radio frequency on the cables', why: 'A long cable beside an antenna is a part of it.' },
  inverter: {
    title: 'mains inverter',
    why: 'It takes standby current all the time, and its volts can kill.',
  },
  outlet: { title: 'mains outlet', why: 'Its volts can kill.' },
  suspended: { title: 'not checked yet', why: 'Without currents most rules have nothing to hold against.' },
  unknown: { title: 'nothing known', why: 'A rule needs a figure on both sides.' },
} as const;

export type RuleName = keyof typeof RULES;

/** Whether a negative fuse belongs in. Source: usual practice of vehicle and portable wiring; the radio’s own manual goes first. */
export const NEGATIVE_FUSE =
  'The fuse belongs in the positive cable. A second one in the negative cable is needed only where a radio’s manual calls for it and the radio is connected straight to a vehicle’s battery; on a battery that feeds nothing else it is advised against: if it opens, the return current looks for a way through antenna and microphone cables.';

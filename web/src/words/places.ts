import { say } from './say';

/**
 * What the page calls each place of what is sent to the server, by the end of its path with the numbers taken out of it. Of two ends
 * that fit, the longer one is meant.
 */
const placeWords: Readonly<Record<string, string>> = {
  // The item and its damage.
  tag: say`Tag`,
  name: say`Name`,
  construction: say`Construction`,
  ageMonths: say`Age`,
  warranty: say`Warranty`,
  earlierMend: say`Mended here before with`,
  'seen.kind': say`Kind of damage`,
  location: say`Where is the damage?`,
  shape: say`Shape`,
  diameterMm: say`Across`,
  lengthMm: say`Length`,
  widthMm: say`Width`,
  points: say`Traced`,
  depthMm: say`How deep?`,
  wet: say`Wet inside?`,
  cause: say`How did it happen?`,
  acrossWholeWidth: say`From side to side?`,
  gapMm: say`How wide is the gap?`,
  missingMm: say`How much is missing?`,
  plies: say`Glue lines parted`,
  edgeCatches: say`Burrs off: does a nail still catch?`,
  onMate: say`Which of the pair?`,
  fin: say`Fin rocked by hand`,
  rocks: say`Fin rocked by hand`,
  cantDeg: say`Cant of this fin`,
  twinCantDeg: say`Cant of its twin`,
  located: say`Found it?`,
  test: say`Test to find it`,
  place: say`Found at`,
  // What is wanted, and what is chosen.
  permanence: say`How long should it last?`,
  neededBy: say`Needed by`,
  hottestInUseC: say`Hottest in use`,
  usedAtM: say`Highest altitude in use`,
  tint: say`Tint bare foam`,
  weights: say`Priorities and approach`,
  fast: say`Fast`,
  lasting: say`Lasting`,
  tidy: say`Tidy`,
  cheap: say`Cheap`,
  method: say`Method`,
  material: say`Material`,
  cloth: say`Cloth`,
  schools: say`Priorities and approach`,
  'overrides.reason': say`Reason`,
  // The shop.
  temperatureC: say`Bench`,
  relativeHumidityPercent: say`Humidity`,
  light: say`Light for light-cured resin`,
  nightTemperatureC: say`Bench by night`,
  zone: say`Time zone`,
  opensHour: say`Open from`,
  closesHour: say`until`,
  latitudeDeg: say`Latitude, north +`,
  longitudeDeg: say`Longitude, east +`,
  lampMwPerCm2: say`UV lamp at the work`,
  roomM3: say`Room`,
  airChangesPerHour: say`Air changes`,
  altitudeM: say`Altitude`,
  units: say`Units of a new device`,
  measure: say`Two-part resin is usually measured with`,
  lineEveryMl: say`Lines every`,
  lineErrorMl: say`Off a line by up to`,
  holdsMl: say`Holds`,
  stepG: say`Smallest step`,
  graduationMl: say`Graduations every`,
  barrelMl: say`Draws at once`,
  strokeMl: say`A stroke of resin gives`,
  strokeErrorPercent: say`Strokes differ by`,
  grits: say`Grits in the drawer`,
  has: say`Tools at hand`,
  dropper: say`Dropper`,
  drops: say`Drops counted`,
  grams: say`They weigh`,
  'dropper.stepG': say`Step of the scale`,
  'devices.name': say`Device`,
  people: say`Hands, clamps and places`,
  clamps: say`Clamped at once`,
  places: say`Lying at once`,
  closedDays: say`Closed on`,
  sandsElsewhere: say`Where is it sanded?`,
  warmPlaces: say`In the warm at once`,
  warmC: say`How warm that is`,
  skill: say`Does`,
  comesHour: say`Comes at`,
  goesHour: say`Goes at`,
  daysOff: say`Off on`,
  currency: say`Money`,
  hourRate: say`For an hour of hands`,
  minimum: say`At least, for a mend`,
  consumablesPercent: say`Consumables, % of labour`,
  taxPercent: say`Tax, %`,
  // The shop's own products, as their labels say.
  products: say`Your own products`,
  'products.name': say`Product name`,
  'ratio.a': say`Parts of A`,
  'ratio.b': say`Parts of B`,
  percent: say`Catalyst`,
  densityGPerMl: say`Density`,
  densityAGPerMl: say`Density of A`,
  densityBGPerMl: say`Density of B`,
  referenceC: say`Label is for`,
  potLifeMin: say`Pot life`,
  potMassG: say`of a batch of`,
  tackOpensMin: say`Tack opens`,
  tackClosesMin: say`Tack closes`,
  recoatOpensMin: say`Recoat opens`,
  recoatClosesMin: say`Recoat closes`,
  sandableMin: say`Sandable`,
  loadableMin: say`Loadable`,
  fullMin: say`Full cure`,
  minimumC: say`Not under`,
  maximumC: say`Not over`,
  maximumHumidityPercent: say`Air at most`,
  coats: say`Coats`,
  spreadGPerM2: say`One wet coat`,
  sealedMonths: say`Keeps sealed`,
  openedMonths: say`Keeps opened`,
  // The shelf.
  'lot.id': say`Write on it`,
  'lot.material': say`What it is`,
  batch: say`Batch number`,
  had: say`Held when new`,
  price: say`Price`,
  openedOn: say`Opened on`,
  useBefore: say`Use before`,
  standsAt: say`Stands at`,
  goneOn: say`Used up`,
  left: say`Or exactly`,
  offcuts: say`Offcuts`,
  'offcuts.id': say`Label on it`,
  // The days.
  person: say`Who`,
  weight: say`Being late counts`,
  notBefore: say`Not before`,
  beginAt: say`Begin it at`,
  notBy: say`Not by`,
  // The counter.
  'customer.name': say`Who brings it`,
  reach: say`How to reach them`,
  note: say`What they say`,
  dueAt: say`Needed by`,
  items: say`What they bring`,
  by: say`Who says yes`,
  heardBy: say`Who heard it`,
  upTo: say`Up to`,
  servesMonths: say`A new one serves, months`,
  leftMonths: say`This one has left, months`,
  // The bench.
  airC: say`Air`,
  barometerKpa: say`Barometer`,
};

/** What the page calls one of several, by its number from 1. */
const oneOf: Readonly<Record<string, (number: number) => string>> = {
  damages: (number) => say`Damage ${number}`,
  neighbours: (number) => say`Spot beside it ${number}`,
  people: (number) => say`Person ${number}`,
  devices: (number) => say`Device ${number}`,
  products: (number) => say`Product ${number}`,
  offcuts: (number) => say`Offcut ${number}`,
  items: (number) => say`Item ${number}`,
  lines: (number) => say`Line ${number}`,
};

/**
 * A place of what was sent to the server, in the words of the page, such as *Damage 2, How deep?*; null where the page shows no such place.
 * @param field A path as the server writes it, such as `damages[1].seen.depthMm`.
 */
export function placeOf(field: string): string | null {
  const [, line, column] = /^csv\[(\d+)\](?:\.(.+))?$/.exec(field) ?? [];
  // The lines of a table are counted from 1, and its columns go by the names that stand in the file.
  if (line !== undefined) return [say`Line ${line}`, ...(column === undefined ? [] : [column])].join(', ');
  const path = [...field.matchAll(/([^.[\]]+)(?:\[(\d+)\])?/g)].map(([, name = '', index]) => ({ name, index }));
  const names = path.map(({ name }) => name);
  const ends = names.map((_, from) => names.slice(from).join('.'));
  const numbered = path.flatMap(({ name, index }) => (index === undefined ? [] : (oneOf[name]?.(Number(index) + 1) ?? [])));
  // One of several is told by its number, and not by the name of them all as well.
  const isNumberedOnly = path.at(-1)?.index !== undefined && oneOf[names.at(-1)!] !== undefined;
  const words = isNumberedOnly ? undefined : ends.map((end) => placeWords[end]).find((found) => found !== undefined);
  const place = [...numbered, ...(words === undefined ? [] : [words])];
  return place.length > 0 ? place.join(', ') : null;
}

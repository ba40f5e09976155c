import type { Schemas } from '../api/types';

/** Words of the trade for the identifiers of the open formats. */
export const decisionWords: Record<Schemas['Decision'], string> = {
  mend: 'Mend it',
  'mend-for-now': 'Mend it for now',
  warranty: 'Back under warranty',
  refer: 'Refer it',
  retire: 'Retire it',
  refuse: 'Never mended here',
};

export const kindWords: Record<Schemas['DamageKind'], string> = {
  ding: 'Ding',
  crack: 'Crack',
  hole: 'Hole',
  'fin-box-surround': 'Cracked round fin box',
  slice: 'Skin sliced',
  scratch: 'Scratch',
  'core-shot': 'Through to the core',
  puncture: 'Puncture',
  pinholes: 'Pinholes',
  tear: 'Tear',
  melt: 'Melted',
  'seam-open': 'Seam open',
  'strip-lifted': 'Strip lifting',
  'valve-leak': 'Valve leaks',
  'water-inside': 'Water inside',
  parted: 'Layers parted',
  'soft-spot': 'Soft spot',
  split: 'Split',
  splinter: 'Splinter',
  chip: 'Chip',
  'sole-parted': 'Sole parting',
  'worn-away': 'Worn away',
  'edge-pulled': 'Edge pulled',
  'seal-torn': 'Seal torn',
  crumbled: 'Foam crumbles',
  bent: 'Bent',
};

export const causeWords: Record<Schemas['Cause'], string> = {
  knock: 'A knock',
  pressure: 'Pressure',
  heat: 'Heat',
  wear: 'Wear',
  'by-itself': 'Came on its own',
  unknown: 'Unknown',
};

export const familyWords: Record<Schemas['GearFamily'], string> = {
  boards: 'Boards',
  hulls: 'Hulls',
  skis: 'Skis',
  inflatables: 'Inflatables',
  'tents-and-poles': 'Tents and poles',
  'waders-and-suits': 'Waders and suits',
  footwear: 'Footwear',
  paddles: 'Paddles',
  'forks-decks-and-limbs': 'Forks, decks, bow limbs',
  'holds-a-life': 'Life-safety gear',
};

export const lightWords: Record<Schemas['LightLevel'], string> = {
  'full-sun': 'Full sun',
  'hazy-sun': 'Hazy sun',
  'open-shade': 'Open shade',
  'uv-lamp': 'UV lamp',
  indoors: 'Indoors',
};

export const warrantyWords: Record<Schemas['Warranty'], string> = {
  unknown: 'Not asked yet',
  none: 'None',
  'in-force': 'In force',
  declined: 'Declined',
};

export const waitWords: Record<Schemas['WaitKind'], string> = {
  dry: 'Drying',
  flash: 'Flashing off',
  light: 'Setting in the light',
  recoat: 'Recoat window',
  tack: 'Coming to tack',
  cool: 'Cooling down',
  hold: 'Under clamps',
  sandable: 'Until it can be sanded',
  loadable: 'Until it can be used',
};

export const sourceWords: Record<Schemas['SourceKind'], string> = {
  published: 'Published',
  'common-practice': 'Common practice',
  'from-memory': 'From memory',
  arithmetic: 'Arithmetic',
  shop: "The shop's own",
};

/** Tools that some methods need, by identifier. */
export const toolWords: Record<string, string> = {
  'base-gun': 'Base gun',
  cauls: 'Cauls',
  clamps: 'Clamps',
  drill: 'Drill',
  former: 'Former',
  'hot-melt-gun': 'Hot-melt gun',
  plates: 'Flat bars and plates',
  'rubber-bands': 'Rubber bands',
  scraper: 'Steel scraper',
  syringe: 'Syringe',
  'valve-key': 'Valve key',
  'welding-gun': 'Welding gun',
};

/** A damage in a few words: what and where. */
export function damageWords({ kind, location, onMate }: Schemas['Damage']): string {
  return `${kindWords[kind]}, ${location.replaceAll('-', ' ')}${onMate ? ', the other one' : ''}`;
}

import type { Schemas } from '../api/types';
import { say } from '../words/say';

/** Words of the trade for the identifiers of the open formats. */
export const decisionWords: Record<Schemas['Decision'], string> = {
  mend: say`Mend it`,
  'mend-for-now': say`Mend it for now`,
  warranty: say`Back under warranty`,
  refer: say`Refer it`,
  retire: say`Retire it`,
  refuse: say`Never mended here`,
};

export const kindWords: Record<Schemas['DamageKind'], string> = {
  ding: say`Ding`,
  crack: say`Crack`,
  hole: say`Hole`,
  'fin-box-surround': say`Cracked round fin box`,
  slice: say`Skin sliced`,
  scratch: say`Scratch`,
  'core-shot': say`Through to the core`,
  puncture: say`Puncture`,
  pinholes: say`Pinholes`,
  tear: say`Tear`,
  melt: say`Melted`,
  'seam-open': say`Seam open`,
  'strip-lifted': say`Strip lifting`,
  'valve-leak': say`Valve leaks`,
  'water-inside': say`Water inside`,
  parted: say`Layers parted`,
  'soft-spot': say`Soft spot`,
  split: say`Split`,
  splinter: say`Splinter`,
  chip: say`Chip`,
  'sole-parted': say`Sole parting`,
  'worn-away': say`Worn away`,
  'edge-pulled': say`Edge pulled`,
  'seal-torn': say`Seal torn`,
  crumbled: say`Foam crumbles`,
  bent: say`Bent`,
};

export const causeWords: Record<Schemas['Cause'], string> = {
  knock: say`A knock`,
  pressure: say`Pressure`,
  heat: say`Heat`,
  wear: say`Wear`,
  'by-itself': say`Came on its own`,
  unknown: say`Unknown`,
};

export const familyWords: Record<Schemas['GearFamily'], string> = {
  boards: say`Boards`,
  hulls: say`Hulls`,
  skis: say`Skis`,
  inflatables: say`Inflatables`,
  'tents-and-poles': say`Tents and poles`,
  'waders-and-suits': say`Waders and suits`,
  footwear: say`Footwear`,
  paddles: say`Paddles`,
  'forks-decks-and-limbs': say`Forks, decks, bow limbs`,
  'holds-a-life': say`Life-safety gear`,
};

export const lightWords: Record<Schemas['LightLevel'], string> = {
  'full-sun': say`Full sun`,
  'hazy-sun': say`Hazy sun`,
  'open-shade': say`Open shade`,
  'uv-lamp': say`UV lamp`,
  indoors: say`Indoors`,
};

export const warrantyWords: Record<Schemas['Warranty'], string> = {
  unknown: say`Not asked yet`,
  none: say`None`,
  'in-force': say`In force`,
  declined: say`Declined`,
};

export const waitWords: Record<Schemas['WaitKind'], string> = {
  dry: say`Drying`,
  flash: say`Flashing off`,
  light: say`Setting in the light`,
  recoat: say`Recoat window`,
  tack: say`Coming to tack`,
  cool: say`Cooling down`,
  hold: say`Setting`,
  sandable: say`Until it can be sanded`,
  loadable: say`Until it can be used`,
  pressure: say`Standing at pressure`,
};

export const solventWords: Record<string, string> = {
  acetone: say`of acetone`,
  mek: say`of methyl ethyl ketone`,
  toluene: say`of toluene`,
  styrene: say`of styrene`,
  isopropanol: say`of isopropyl alcohol`,
};

export const sourceWords: Record<Schemas['SourceKind'], string> = {
  published: say`Published`,
  'common-practice': say`Common practice`,
  'from-memory': say`From memory`,
  arithmetic: say`Arithmetic`,
  shop: say`The shop's own`,
};

/** Tools that some methods need, by identifier. */
export const toolWords: Record<string, string> = {
  'base-gun': say`Base gun`,
  cauls: say`Cauls`,
  clamps: say`Clamps`,
  drill: say`Drill`,
  former: say`Former`,
  'hot-melt-gun': say`Hot-melt gun`,
  plates: say`Flat bars and plates`,
  'rubber-bands': say`Rubber bands`,
  scraper: say`Steel scraper`,
  syringe: say`Syringe`,
  'valve-key': say`Valve key`,
  'welding-gun': say`Welding gun`,
};

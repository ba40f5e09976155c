import type { Schemas } from '../api/types';

/** Words of the trade for the identifiers of the open formats. */
export const decisionWords: Record<Schemas['Decision'], string> = {
  mend: 'Mend it',
  'mend-for-now': 'Mend it for now',
  warranty: 'Back under warranty',
  refer: 'Refer it',
  retire: 'Retire it',
};

export const kindWords: Record<Schemas['DamageKind'], string> = {
  ding: 'Ding',
  crack: 'Crack',
  hole: 'Hole',
  'fin-box-surround': 'Cracked round fin box',
};

export const causeWords: Record<Schemas['Cause'], string> = {
  knock: 'A knock',
  pressure: 'Pressure',
  heat: 'Heat',
  'by-itself': 'Came by itself',
  unknown: 'Nobody knows',
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
  sandable: 'Until it sands',
  loadable: 'Until it may get wet',
};

export const sourceWords: Record<Schemas['SourceKind'], string> = {
  published: 'Published',
  'common-practice': 'Common practice',
  'from-memory': 'Written down from memory',
  arithmetic: 'Arithmetic',
  shop: "The shop's own",
};

import type { components } from './schema';

export type Schemas = components['schemas'];
export type RepairCase = Schemas['RepairCase'];
export type RepairPlan = Schemas['RepairPlan'];
export type PlanStep = Schemas['PlanStep'];
export type Figure = Schemas['Figure'];
export type Candidate = Schemas['Candidate'];
export type MendView = Schemas['MendView'];
export type BenchEntry = Schemas['BenchEntry'];
export type RunState = Schemas['RunState'];
export type Catalogue = Schemas['CatalogueView'];
export type Construction = Schemas['Construction'];
export type Shape = Schemas['Shape'];
export type Problem = Schemas['Problem'];
export type Drawing = Schemas['Drawing'];
export type NewEvent = Schemas['Happening'];

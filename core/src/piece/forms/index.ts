import { z } from 'zod';
import { broken, brokenSchema } from './broken.js';
import { cut, cutSchema } from './cut.js';
import { dippedSchema, freshDipped, type DippedForm } from './dipped.js';
import type { BodyKind } from './kind.js';
import { moulded, mouldedSchema } from './moulded.js';
import { piped, pipedSchema } from './piped.js';
import { portion, portionSchema } from './portion.js';
import { rolled, rolledSchema } from './rolled.js';

/** How a piece is made. Each kind has a file here, and one in the web for its fields and its drawing. */
export const formSchema = z
  .discriminatedUnion('kind', [
    cutSchema,
    brokenSchema,
    rolledSchema,
    dippedSchema,
    mouldedSchema,
    pipedSchema,
    portionSchema,
  ])
  .meta({ id: 'PieceForm' });

export type PieceForm = z.infer<typeof formSchema>;
/** A form that can be dipped. */
export type CentreForm = DippedForm['centre'];
/** A form whose pieces come out of the batches of one recipe. */
export type BodyForm = Exclude<PieceForm, DippedForm>;

/** What is known of each form; the compiler names what is missing when a kind is added. */
const bodies: { readonly [Kind in BodyForm['kind']]: BodyKind<Extract<BodyForm, { kind: Kind }>> } = {
  cut,
  broken,
  rolled,
  moulded,
  piped,
  portion,
};

/** What is known of a form. */
export const kindOf = (form: BodyForm): BodyKind<BodyForm> => bodies[form.kind] as unknown as BodyKind<BodyForm>;

/** A form of a kind as it starts, of a recipe. */
export const freshForm = (kind: PieceForm['kind'], recipeId: string): PieceForm =>
  kind === 'dipped' ? freshDipped(recipeId) : bodies[kind].fresh(recipeId);

/** A form that can be dipped, as it starts. */
export const freshCentre = (kind: CentreForm['kind'], recipeId: string): CentreForm => bodies[kind].fresh(recipeId);

export { cutGrid, type CutForm } from './cut.js';
export { coatingOf } from './dipped.js';
export { cavityFill, fillCavity, type MouldedForm, roomOf, type MouldStage, mouldStages } from './moulded.js';
export { type Sides } from './kind.js';
export { finishPart } from './schema.js';

import * as z from 'zod';
import type { Plant } from '../plant/plant';
import { PlantSchema } from '../plant/plant-schema';
import { apply, type Applied, type Edit } from '../product/edit';
import { type JobSpec, jobSpecSchema } from '../product/job-spec';
import { FAMILIES, wishSchemas } from '../families/registry';

/** The door of core: what a job specification may be, with the wishes of all families. */
export const JobSpecSchema: z.ZodType<JobSpec> = jobSpecSchema(wishSchemas(FAMILIES));

/** One edit as it crosses the wire. */
export const EditSchema = z.strictObject({
  at: z.array(z.string().min(1).max(200)).min(1).max(20),
  was: z.unknown().optional(),
  now: z.unknown().optional(),
}) as unknown as z.ZodType<Edit>;

/** Applies edits and parses the result through the door. */
export const applyEdits = (spec: JobSpec, edits: readonly Edit[]): Applied<JobSpec> => apply(spec, edits, JobSpecSchema);

/** The same for the plant: what the settings screen does. */
export const applyPlantEdits = (plant: Plant, edits: readonly Edit[]): Applied<Plant> => apply(plant, edits, PlantSchema);

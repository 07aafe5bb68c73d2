import { z } from "zod";
import { DATE_ORDERS, LENGTHS } from "@/core/quantity";

/** How the shop is called and writes its dates. */
export const Habits = z.strictObject({
  shopName: z.string().trim().max(60),
  dateOrder: z.enum(DATE_ORDERS),
  lengths: z.enum(LENGTHS),
  /** First day of a written week: Monday 0 to Sunday 6. */
  weekStart: z.number().int().min(0).max(6),
  /** The first three questions were answered or put aside. */
  begun: z.boolean(),
});
export type Habits = z.infer<typeof Habits>;

/** PUT /api/habits. */
export const HabitsSave = Habits.omit({ begun: true });
/** PUT /api/first: the first three questions of a new shop; what is left out stays as it is. */
export const FirstAnswers = z.strictObject({
  shopName: z.string().trim().max(60).optional(),
  currency: z
    .string()
    .trim()
    .toUpperCase()
    .regex(/^[A-Z]{3}$/, "three letters, as EUR")
    .optional(),
  taxPercent: z.number().min(0).max(100).optional(),
  tools: z.array(z.string().min(1).max(60)).max(200).optional(),
});

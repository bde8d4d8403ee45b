/** The act in which a batch of a coat is weighed, by its id. */
export const weighStepId = (coatId: string, batch: number): string => `${coatId}:${batch}:weigh`;

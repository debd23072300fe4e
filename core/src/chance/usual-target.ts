/** The chance that a plan is meant to have, unless said. */
export const USUAL_TARGET = 0.9;

/** A start that cannot succeed, in a sentence for the person at the terminal. */
export class StartProblem extends Error {}

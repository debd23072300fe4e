/** What the model's volts may be off by, V: a rule speaks only beyond it. Source: convention of this project, docs/model.md. */
export const UNSURE_V = 0.1;

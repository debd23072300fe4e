import Joi from 'joi';
import { MODE_NAMES } from '@knapsack/core';
import { RULE_NAMES } from '../documents/accessory-rule.js';
import { MOST_OWN_HOURS } from '../fields/fields.js';
import { instant, number, oneOf } from './joi.js';

/** Some modes, or all where absent. */
export const modes = () => Joi.array().items(oneOf(MODE_NAMES)).min(1).max(MODE_NAMES.length).optional();

/** Hours of one's own. */
export const ownHours = (): Joi.ArraySchema =>
  Joi.array()
    .items(Joi.object({ start: instant(), end: instant() }))
    .min(1)
    .max(MOST_OWN_HOURS);

/** A rule with the fields that go with its "when" and no others. */
export const accessoryRule = (): Joi.ObjectSchema => {
  const when = (name: string, fields: Joi.SchemaMap) => ({
    is: Joi.object({ when: name }).unknown(),
    then: Joi.object(fields),
  });
  return [
    when('operating', { modes: modes() }),
    when('transmitting', { modes: modes() }),
    when('dark', { white: number('anHour').optional() }),
    when('warm', { aboveC: number('aboveC') }),
    when('minutes', { anHour: number('anHour') }),
    when('hours', { hours: ownHours().required() }),
  ].reduce<Joi.ObjectSchema>(
    (rule, { is, then }) => rule.when(is, { then }),
    Joi.object({ when: oneOf(RULE_NAMES) }),
  );
};

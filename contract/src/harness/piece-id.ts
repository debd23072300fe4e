/** The id of one of several pieces of a kind: the first carries the gear's own. */
export const pieceId = (gear: string, index: number): string => (index === 0 ? gear : `${gear}.${index + 1}`);

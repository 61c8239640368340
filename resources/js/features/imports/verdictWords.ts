/** What bringing in an event would do, in words. */
export const verdictWords = { added: 'new', changed: 'changed', unchanged: 'already there', leftOut: 'left out' } as const;

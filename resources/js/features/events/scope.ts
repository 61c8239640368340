/** What of a series is meant: one occurrence by its name, that and all that follow (its name and a star), or (null) all of it. */
export type Scope = string | null;

const AND_ON = '*';

export function following(occurrence: string): Scope {
    return `${occurrence}${AND_ON}`;
}

export function isFollowing(scope: Scope): boolean {
    return scope?.endsWith(AND_ON) === true;
}

export function occurrenceOf(scope: Scope): string | null {
    return scope?.replace(AND_ON, '') ?? null;
}

/** As the API is asked. */
export function scopeQuery(scope: Scope): { occurrence?: string; following?: boolean } {
    const occurrence = occurrenceOf(scope);
    return occurrence === null ? {} : { occurrence, following: isFollowing(scope) };
}

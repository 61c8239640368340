/** The set with a value that it had not, or without the one that it had. */
export function toggled<Value>(set: ReadonlySet<Value>, value: Value): ReadonlySet<Value> {
    const next = new Set(set);
    if (!next.delete(value)) next.add(value);
    return next;
}

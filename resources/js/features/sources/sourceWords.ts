/** “every hour”, “every 90 minutes”, “every 7 days”: how often something is fetched. */
export function everyWords(minutes: number): string {
    const sized = (size: number, one: string, many: string) => (minutes === size ? `every ${one}` : `every ${minutes / size} ${many}`);
    if (minutes % 1440 === 0) return sized(1440, 'day', 'days');
    return minutes % 60 === 0 ? sized(60, 'hour', 'hours') : `every ${minutes} minutes`;
}

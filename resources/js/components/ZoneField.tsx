import { useId } from 'react';
import { TextField } from './Field';

type Props = { label?: string; value: string; onChange: (zone: string) => void; error?: string | undefined; hint?: string; placeholder?: string; className?: string };

const ZONES = Intl.supportedValuesOf('timeZone');

/** “New York” of `America/New_York` */
function cityOf(zone: string): string {
    return (zone.split('/').at(-1) ?? zone).replaceAll('_', ' ');
}

/** The zone that somebody means who types its name or a city of it. */
export function zoneOf(text: string): string {
    const sought = text.trim().toLowerCase().replaceAll('_', ' ');
    return ZONES.find((zone) => zone.toLowerCase().replaceAll('_', ' ') === sought) ?? ZONES.find((zone) => cityOf(zone).toLowerCase() === sought) ?? text.trim();
}

/** A time zone by its name, found by its city. */
export function ZoneField({ label = 'Time zone', value, onChange, error, hint, placeholder, className }: Props) {
    const id = useId();
    return (
        <>
            <TextField
                label={label}
                list={id}
                value={value}
                error={error}
                {...(hint === undefined ? {} : { hint })}
                {...(className === undefined ? {} : { fieldClassName: className })}
                placeholder={placeholder ?? 'a city'}
                autoComplete="off"
                spellCheck={false}
                onChange={(event) => onChange(event.target.value)}
                onBlur={() => value.trim() !== '' && zoneOf(value) !== value && onChange(zoneOf(value))}
            />
            <datalist id={id}>
                {ZONES.map((zone) => (
                    <option key={zone} value={zone}>
                        {cityOf(zone)}
                    </option>
                ))}
            </datalist>
        </>
    );
}

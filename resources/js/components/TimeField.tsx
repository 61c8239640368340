import { addMinutes, timeOfDay } from '@/time/dates';
import { TypedField } from './TypedField';

type Props = { label: string; value: string; onChange: (value: string) => void; zone: string; error?: string | undefined; className?: string; hidesLabel?: boolean };

const QUARTER = 15;

/** An hour as the sheet shows it (`9:00`), typed as one likes: “9.30”, “2pm”, “half past two”. Up and down go by a quarter. */
export function TimeField(props: Props) {
    const { value, onChange } = props;
    return (
        <TypedField
            {...props}
            kind="time"
            placeholder="9:00"
            format={(time) => timeOfDay(`2000-01-01T${time}`)}
            onKeyDown={(event) => {
                const by = event.key === 'ArrowUp' ? QUARTER : event.key === 'ArrowDown' ? -QUARTER : 0;
                if (by === 0 || value === '') return;
                event.preventDefault();
                onChange(addMinutes(`2000-01-02T${value}`, by).slice(11, 16));
            }}
        />
    );
}

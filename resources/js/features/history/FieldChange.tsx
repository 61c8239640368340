import type { Schemas } from '@/api/client';

/** What a field says, and what it said before; of a time that was changed on its own, with its day. */
export function FieldChange({ change: { of, field, before, after } }: { change: Schemas['FieldChange'] }) {
    return (
        <>
            {of !== null && `${of}, `}
            {field}: {before === '' ? 'nothing' : <s>{before}</s>} → {after === '' ? 'nothing' : after}
        </>
    );
}

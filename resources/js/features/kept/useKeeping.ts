import { useCallback, useEffect } from 'react';
import { closeForm, forgetForm, keepForm, openForm } from './keptForms';

type Keeping<Values> = {
    name: string;
    /** By which it is known when it is offered again. */
    label: string;
    values: Values;
    /** Whether anything was written: an untouched form closes silently. */
    touched: boolean;
};

/** Keeps what is written in a form until it is saved; what is answered is to be called then. */
export function useKeeping<Values>({ name, label, values, touched }: Keeping<Values>): () => void {
    const text = JSON.stringify(values);
    useEffect(() => openForm(name), [name]);
    useEffect(() => {
        if (touched) keepForm(name, label, JSON.parse(text));
        else forgetForm(name);
    }, [name, label, text, touched]);
    return useCallback(() => closeForm(name), [name]);
}

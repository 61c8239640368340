import { useSyncExternalStore } from 'react';
import { epochNow } from '@/time/dates';
import { storage } from '@/offline/storage';

/** What was written in a form and not saved: it survives closing, going back and loading anew, in this browser. */
export type KeptForm<Values = unknown> = { name: string; label: string; at: number; values: Values };

const PREFIX = 'rota.kept.';

/** After so many days nobody misses it. */
const DAYS = 14;

const listeners = new Set<() => void>();
let told = '';
let all: KeptForm[] = [];

function read(): KeptForm[] {
    const entries = storage.names()
        .filter((key) => key.startsWith(PREFIX))
        .sort()
        .map((key) => storage.getItem(key) ?? '');
    const now = entries.join('\n');
    if (now === told) return all;
    told = now;
    all = entries.flatMap((entry) => {
        try {
            const form = JSON.parse(entry) as KeptForm;
            return epochNow() - form.at > DAYS * 86_400_000 ? [] : [form];
        } catch {
            return [];
        }
    });
    return all;
}

function changed(): void {
    listeners.forEach((listener) => listener());
}

/** Those that were saved and are still on the screen: what they say until they close is kept no more. */
const saved = new Set<string>();

export function openForm(name: string): void {
    saved.delete(name);
}

/** To be called when what was written is saved. */
export function closeForm(name: string): void {
    saved.add(name);
    forgetForm(name);
}

export function keepForm(name: string, label: string, values: unknown): void {
    if (saved.has(name)) return;
    storage.setItem(PREFIX + name, JSON.stringify({ name, label, at: epochNow(), values } satisfies KeptForm));
    changed();
}

export function forgetForm(name: string): void {
    storage.removeItem(PREFIX + name);
    changed();
}

/** Nothing of one person's is for the next at the same screen. */
export function forgetAllForms(): void {
    storage.names()
        .filter((key) => key.startsWith(PREFIX))
        .forEach((key) => storage.removeItem(key));
    changed();
}

export function keptForm<Values>(name: string): KeptForm<Values> | undefined {
    return read().find((form) => form.name === name) as KeptForm<Values> | undefined;
}

/** Those whose names begin so, the newest first. */
export function useKeptForms<Values>(beginning: string): KeptForm<Values>[] {
    const forms = useSyncExternalStore(
        (listener) => {
            listeners.add(listener);
            return () => void listeners.delete(listener);
        },
        read,
    );
    return (forms.filter((form) => form.name.startsWith(beginning)) as KeptForm<Values>[]).sort((a, b) => b.at - a.at);
}

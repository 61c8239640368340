import type { Schemas } from '@/api/client';
import { LEVELS } from '@/api/generated/words';

export type Level = Schemas['Calendar']['level'];

/** The levels that can be given, from least to most. */
export const GIVABLE: Level[] = (Object.keys(LEVELS) as Level[]).filter((level) => level !== 'none');

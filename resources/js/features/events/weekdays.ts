import type { Schemas } from '@/api/client';

export type Weekday = Schemas['WeeklyRepeat']['weekdays'][number];

export const WEEKDAYS: Weekday[] = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'];

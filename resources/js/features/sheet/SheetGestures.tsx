import type { RefObject } from 'react';
import { useSheetGestures } from './useSheetGestures';

type Props = { sheet: RefObject<HTMLElement | null> } & Parameters<typeof useSheetGestures>[1];

/** Dragging and drawing on a sheet: what listens for them comes once the sheet is drawn. */
export function SheetGestures({ sheet, ...options }: Props) {
    useSheetGestures(sheet, options);
    return null;
}

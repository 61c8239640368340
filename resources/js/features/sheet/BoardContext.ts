import { createContext, useContext } from 'react';
import type { Item } from './geometry';
import type { LaneRow } from './rows';

type Board = {
    /** The rows of lanes; of no matter in other views. */
    rows: readonly LaneRow[];
    /** Tells the board of the items that a view draws which are not those of the sheet. */
    register: (items: readonly Item[]) => void;
};

export const BoardContext = createContext<Board | null>(null);

export function useBoard(): Board {
    const board = useContext(BoardContext);
    if (board === null) throw new Error('There is no sheet here.');
    return board;
}

import { Cell } from './Cell';
import { itemKey, type Item } from './geometry';
import type { Block } from './hours';
import { ItemView, type Look } from './ItemView';

type Props = {
    /** Its place in the grid. */
    row: number;
    /** Which hours these are, in words. */
    label: string;
    days: readonly string[];
    /** Of each day. */
    blocks: readonly Block[][];
    closed: ReadonlyMap<string, string>;
    look: (layer: number) => Look;
    chosen: (item: Item) => boolean;
};

/** How high what is folded away is drawn, in pixels. */
export function foldedHeight(blocks: readonly Block[][]): number {
    const most = Math.max(0, ...blocks.map((each) => each.length));
    return most === 0 ? 0 : most * LINE + 5;
}

const LINE = 24;

/** What is earlier or later than the hours that are drawn: a line for each, so that it is named without unfolding a night for it. */
export function FoldedHours({ row, label, days, blocks, closed, look, chosen }: Props) {
    return (
        <div role="row" className="sheet-row">
            <div role="rowheader" className="sheet-rowhead">
                <small>{label}</small>
            </div>
            {days.map((day, column) => (
                <Cell key={day} row={row} column={column} day={day} closed={closed.get(day)} label={label}>
                    {blocks[column]?.map((block) => <ItemView key={itemKey(block.item)} item={block.item} shape="line" look={look(block.item.layer)} chosen={chosen(block.item)} continued={!block.begins} ends={block.ends} />)}
                </Cell>
            ))}
        </div>
    );
}

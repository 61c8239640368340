import type { Schemas } from '@/api/client';

export type MarkName = Schemas['Calendar']['mark'];
export type Ink = Schemas['Calendar']['colour'];
export type Pattern = Schemas['OverlayLayer']['pattern'];

type Props = {
    mark: MarkName;
    /** Without it, the colour of the text. */
    ink?: Ink;
    /** In pixels; without it as big as the style of where it stands says. */
    size?: number;
};

/** A shape, so that layers are told apart without colour. One element, cut out by css/marks.css: a sheet has hundreds of them. */
export function Mark({ mark, ink, size }: Props) {
    return <i aria-hidden="true" className="mark" data-mark={mark} data-ink={ink} style={size === undefined ? undefined : { width: size, height: size }} />;
}

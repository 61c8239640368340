import type { Schemas } from '@/api/client';

/** How a frame looks, as its address says. */
export type FrameChoices = {
    view: Schemas['MemberFrameInput']['view'];
    /** Layers that it opens without, by their place. */
    off: number[];
    look: 'auto' | 'light' | 'dark';
    /** `#1d5a8c`; empty for ours. */
    accent: string;
    language: string;
    opens: 'anew' | 'here';
    height: 'content' | 'fixed';
    pixels: number;
};

export const PLAIN: FrameChoices = { view: 'list', off: [], look: 'auto', accent: '', language: 'en', opens: 'anew', height: 'content', pixels: 600 };

export const VIEWS: Record<FrameChoices['view'], string> = { list: 'List', month: 'Month', lanes: 'Lanes', week: 'Week' };
export const LOOKS: Record<FrameChoices['look'], string> = { auto: 'as the device', light: 'light', dark: 'dark' };
export const HEIGHTS: Record<FrameChoices['height'], string> = { content: 'as high as it is', fixed: 'always the same' };
export const LINKS: Record<FrameChoices['opens'], string> = { anew: 'in a new window', here: 'in place of the site' };

/** “German”, of “de”. */
export function languageName(language: string): string {
    return new Intl.DisplayNames('en', { type: 'language' }).of(language) ?? language;
}

/** What is in the frame; what goes without saying is left out. */
export function addressOfFrame(address: string, { view, off, look, accent, language, opens }: FrameChoices): string {
    const said = Object.entries({
        view: view === 'list' ? '' : view,
        off: off.toSorted((one, other) => one - other).join(','),
        look: look === 'auto' ? '' : look,
        accent: accent.replace('#', ''),
        language: language === 'en' ? '' : language,
        opens: opens === 'anew' ? '' : opens,
    }).filter(([, value]) => value !== '');
    const query = new URLSearchParams(said).toString();
    return query === '' ? address : `${address}?${query}`;
}

/** The line of HTML that a site puts into its page. */
export function lineOfFrame({ address, script }: Pick<Schemas['Frame'], 'address' | 'script'>, name: string, choices: FrameChoices): string {
    const grows = choices.height === 'content';
    const frame = `<iframe src="${escaped(addressOfFrame(address, choices))}" title="${escaped(name)}" style="width:100%;height:${choices.pixels}px;border:0" loading="lazy"${grows ? ' data-height="content"' : ''}></iframe>`;
    return grows ? `${frame}<script src="${escaped(script)}" async></script>` : frame;
}

/** The same of a frame in which people sign in: it scrolls within itself. */
export function lineOfMemberFrame(address: string, name: string): string {
    return `<iframe src="${escaped(address)}" title="${escaped(name)}" style="width:100%;height:700px;border:0" loading="lazy"></iframe>`;
}

function escaped(text: string): string {
    return text.replace(/&/g, '&amp;').replace(/"/g, '&quot;').replace(/</g, '&lt;');
}

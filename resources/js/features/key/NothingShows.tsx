import { useRota } from '@/features/sheet/RotaContext';

/** Why the sheet is empty, where that is for what one asks for, and the way back. */
export function NothingShows({ held }: { /** Whether hidden layers have something. */ held: boolean }) {
    const rota = useRota();
    const { categories = [], words, people = [] } = rota.search;
    const asked = [
        ...(categories.length > 0 ? [`only ${categories.join(', ')}`] : []),
        ...(words === undefined ? [] : [`only events with “${words}”`]),
        ...(people.length > 0 ? ['only events of some people'] : []),
    ];
    const why = held ? 'every layer with events is hidden' : asked.length > 0 ? `${asked.join(', and ')} ${asked.length === 1 && categories.length === 1 ? 'is' : 'are'} asked for` : null;
    if (why === null) return null;
    return (
        <p role="status" className="mt-4 border-l-[3px] border-pin pl-2">
            <b className="block">Nothing shows</b>
            because {why}.
            <button type="button" className="hit mt-1 flex underline" onClick={() => rota.go({ categories: undefined, words: undefined, people: undefined, off: undefined })}>
                Show everything
            </button>
        </p>
    );
}

/** Says that a form goes on from what was written in it earlier. */
export function GoesOn({ onAnew }: { onAnew: () => void }) {
    return (
        <p role="status" className="mb-3 flex flex-wrap items-baseline gap-x-2 border-l-[3px] border-line pl-2.5 text-[12.5px] text-soft">
            It goes on from what you wrote and did not save.
            <button type="button" className="hit text-ink underline" onClick={onAnew}>
                Begin anew
            </button>
        </p>
    );
}

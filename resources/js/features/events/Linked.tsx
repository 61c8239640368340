/** Plain text with its addresses of the web to be clicked. */
export function Linked({ text }: { text: string }) {
    // A stop after an address ends the sentence, not the address.
    const parts = text.split(/(https?:\/\/[^\s<>"']*[^\s<>"'.,;:!?)\]])/g);
    return (
        <span className="whitespace-pre-line [overflow-wrap:anywhere]">
            {parts.map((part, index) =>
                index % 2 === 0 ? (
                    part
                ) : (
                    <a key={index} href={part} target="_blank" rel="noreferrer noopener" className="underline">
                        {part}
                    </a>
                ),
            )}
        </span>
    );
}

export function PinLogo() {
    return (
        <svg width="30" height="34" viewBox="0 0 26 30" aria-hidden="true" className="shrink-0 bg-[#1d2733] p-1">
            <circle cx="13" cy="9" r="7" fill="#c8432b" />
            <circle cx="10.6" cy="6.6" r="2" fill="#fff" opacity=".65" />
            <path d="M13 16v12" stroke="#f7f2e8" strokeWidth="2.4" strokeLinecap="round" />
        </svg>
    );
}

import { lazy, Suspense, type ComponentType, type ReactNode } from 'react';

/**
 * A component that is loaded when it is drawn for the first time: what most people do not need at once does not come with the
 * first page. Meanwhile there is nothing, or what is given. What is sure to be wanted soon is loaded ahead, in a quiet moment.
 */
export function lazily<Name extends string, Props extends object>(load: () => Promise<Record<Name, ComponentType<Props>>>, name: Name, meanwhile: ReactNode = null): ComponentType<Props> & { loadAhead: () => void } {
    // What lazy() gives takes the same properties, which its types do not tell of a component that is not known by name.
    const Loaded = lazy(async () => ({ default: (await load())[name] })) as unknown as ComponentType<Props>;
    function Lazily(props: Props) {
        return (
            <Suspense fallback={meanwhile}>
                <Loaded {...props} />
            </Suspense>
        );
    }
    return Object.assign(Lazily, { loadAhead: () => void load().catch(() => undefined) });
}

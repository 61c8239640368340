import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, expect, test, vi } from 'vitest';
import { Dialog } from '@/components/Dialog';

afterEach(() => {
    cleanup();
    vi.restoreAllMocks();
});

test('the second press of a double click does not close what the first has opened; a later one does', async () => {
    const clock = vi.spyOn(performance, 'now').mockReturnValue(10_000);
    const onOpenChange = vi.fn();
    render(
        <Dialog open onOpenChange={onOpenChange} title="Make a calendar">
            <button type="button">Make it</button>
        </Dialog>,
    );
    await screen.findByRole('dialog');
    // It listens for what is pressed beside it from the next turn on, and answers in one.
    const turn = () => new Promise((resolve) => setTimeout(resolve, 10));
    const press = async (at: number) => {
        await turn();
        clock.mockReturnValue(at);
        fireEvent.pointerDown(document.body);
        fireEvent.click(document.body);
        await turn();
    };
    await press(10_200);
    expect(onOpenChange).not.toHaveBeenCalled();
    await press(10_600);
    expect(onOpenChange).toHaveBeenCalledWith(false);
});

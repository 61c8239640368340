import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { toast } from 'sonner';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { Toasts } from '@/toast/Toasts';

beforeEach(() => {
    vi.useFakeTimers();
    // The document of the tests knows no pointers.
    Element.prototype.setPointerCapture = () => undefined;
});
afterEach(() => {
    cleanup();
    vi.useRealTimers();
});

const pass = (milliseconds: number) => act(() => vi.advanceTimersByTimeAsync(milliseconds));

const show = async () => {
    render(<Toasts />);
    toast('Deleted: Short lived.');
    await pass(500);
    const list = document.querySelector('[data-sonner-toaster]');
    if (list === null) throw new Error('Nothing is told.');
    return list;
};
const isTold = () => screen.queryByText('Deleted: Short lived.') !== null;

test('what is told stays while the pointer rests on it, and goes once that is elsewhere, though it never left', async () => {
    const list = await show();
    fireEvent.mouseEnter(list);
    fireEvent.mouseMove(list);
    await pass(30_000);
    expect(isTold()).toBe(true);
    fireEvent.pointerOver(document.body);
    await pass(10_000);
    expect(isTold()).toBe(false);
});

test('what is pressed and let go elsewhere is let go', async () => {
    const list = await show();
    fireEvent.mouseMove(list);
    fireEvent.pointerDown(screen.getByText('Deleted: Short lived.'));
    fireEvent.mouseLeave(list);
    await pass(30_000);
    expect(isTold()).toBe(true);
    fireEvent.pointerUp(document.body);
    await pass(10_000);
    expect(isTold()).toBe(false);
});

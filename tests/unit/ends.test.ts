import { beforeEach, describe, expect, it } from 'vitest';
import { endAt } from '@/features/sheet/ends';

/** An event that is drawn from (100, 200), so wide and so high. */
function face(width: number, height: number, data: Record<string, string>, shape = 'ticket'): HTMLElement {
    const element = document.createElement('button');
    element.className = shape;
    Object.assign(element.dataset, data);
    element.getBoundingClientRect = () => ({ left: 100, top: 200, right: 100 + width, bottom: 200 + height, width, height, x: 100, y: 200, toJSON: () => ({}) });
    return element;
}

describe('the end of an event that a point takes', () => {
    let whole: Record<string, string>;
    beforeEach(() => {
        whole = { begins: 'true', ends: 'true' };
    });

    it('is at its left and right edge by days, and its middle moves it', () => {
        const line = face(120, 24, { ...whole, resizes: 'days' });
        expect(endAt(line, 102, 210)).toBe('start');
        expect(endAt(line, 106, 210)).toBeUndefined();
        expect(endAt(line, 160, 210)).toBeUndefined();
        expect(endAt(line, 211, 210)).toBeUndefined();
        expect(endAt(line, 214, 210)).toBe('end');
    });

    it('is at its upper and lower edge by hours', () => {
        const ticket = face(80, 60, { ...whole, resizes: 'hours' });
        expect(endAt(ticket, 140, 203)).toBe('start');
        expect(endAt(ticket, 140, 230)).toBeUndefined();
        expect(endAt(ticket, 140, 256)).toBe('end');
    });

    it('is nowhere where it goes on over the edge, nor where it cannot be taken', () => {
        const continued = face(120, 24, { ends: 'true', resizes: 'days' });
        expect(endAt(continued, 101, 210)).toBeUndefined();
        expect(endAt(continued, 218, 210)).toBe('end');
        const goesOn = face(120, 24, { begins: 'true', resizes: 'days' });
        expect(endAt(goesOn, 218, 210)).toBeUndefined();
        expect(endAt(face(120, 24, whole), 218, 210)).toBeUndefined();
    });

    it('is the end before the start where it is too short for both', () => {
        expect(endAt(face(9, 24, { ...whole, resizes: 'days' }), 103, 210)).toBe('end');
    });

    it('reaches over the tail that is cut out of a ribbon', () => {
        expect(endAt(face(120, 24, { ...whole, resizes: 'days' }, 'ribbon'), 205, 210)).toBe('end');
    });

    it('of a bar is taken a little beside it, and not by the name that stands further off', () => {
        const bar = face(3, 60, { ...whole, resizes: 'hours' }, 'bar');
        expect(endAt(bar, 105, 257)).toBe('end');
        expect(endAt(bar, 130, 257)).toBeUndefined();
        expect(endAt(bar, 101, 263)).toBeUndefined();
    });
});

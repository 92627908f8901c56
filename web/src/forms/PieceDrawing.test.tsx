import { describe, expect, it } from '@jest/globals';
import { renderToStaticMarkup } from 'react-dom/server';
import { Differences } from '../records/Differences';
import { PieceDrawing } from './PieceDrawing';

describe('a piece', () => {
  it('is drawn by its form, each unlike the others, and hidden from a screen reader', () => {
    const drawings = (['cut', 'broken', 'rolled', 'dipped'] as const).map((kind) =>
      renderToStaticMarkup(<PieceDrawing kind={kind} colour="#8a5630" />),
    );
    expect(new Set(drawings).size).toBe(4);
    for (const drawing of drawings) expect(drawing).toContain('aria-hidden="true"');
  });

  it('takes its shades from the maker’s colour', () => {
    const drawing = renderToStaticMarkup(<PieceDrawing kind="dipped" colour="#000000" size={20} />);
    expect(drawing).toContain('fill="#000000"');
    expect(drawing).toContain('rgb(102, 102, 102)');
    expect(drawing).toContain('width="20"');
  });
});

describe('differences', () => {
  const show = (mine: object, theirs: object) =>
    renderToStaticMarkup(<Differences mine={mine} theirs={{ ...theirs, id: 'o', version: 3 }} />).replace(
      /<[^>]+>/g,
      '|',
    );

  it('names each value that differs, where it stands and both ways', () => {
    const mine = { notes: 'mine', lines: [{ boxId: 'a', count: 2 }], state: 'paid' };
    const theirs = {
      notes: '',
      lines: [
        { boxId: 'a', count: 3 },
        { boxId: 'b', count: 1 },
      ],
      state: 'paid',
    };
    const text = show(mine, theirs);
    expect(text).toContain('notes: here |mine|, stored |nothing|');
    expect(text).toContain('lines 1 count: here |2|, stored |3|');
    expect(text).toContain('lines 2: here |nothing|, stored |{&quot;boxId&quot;:&quot;b&quot;,&quot;count&quot;:1}|');
    expect(text).not.toContain('state');
  });

  it('says nothing where nothing differs', () => {
    expect(show({ notes: 'same' }, { notes: 'same' })).not.toContain('stored');
  });
});

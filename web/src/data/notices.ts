import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** What is said at the foot of the screen. */
interface Notice {
  readonly text: string;
  /** The change that can be undone, when that is what it says. */
  readonly change: number | null;
  readonly tone: 'plain' | 'trouble';
}

const notices = createSlice({
  name: 'notice',
  initialState: null as Notice | null,
  reducers: {
    /** A write was stored, and can be undone. */
    changed: (_state, { payload }: PayloadAction<{ id: number; label: string }>): Notice => ({
      text: payload.label,
      change: payload.id,
      tone: 'plain',
    }),
    said: (_state, { payload }: PayloadAction<{ text: string; tone?: Notice['tone'] }>): Notice => ({
      text: payload.text,
      change: null,
      tone: payload.tone ?? 'plain',
    }),
    hushed: () => null,
  },
});

export const noticeReducer = notices.reducer;
export const { changed, said, hushed } = notices.actions;

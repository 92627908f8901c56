/** One task of the manual. */
export interface Task {
  readonly title: string;
  /** Where it stands on the page. */
  readonly place: string;
  /** Its text in Markdown. */
  readonly body: string;
}

/** The tasks of the manual: what stands below each heading of the second level. @param text in Markdown */
export const tasksOf = (text: string): Task[] =>
  text
    .split(/^## /m)
    .slice(1)
    .map((part) => {
      const [title = '', ...lines] = part.split('\n');
      return { title, place: title.toLowerCase().replace(/[^a-z]+/g, '-'), body: lines.join('\n').trim() };
    });

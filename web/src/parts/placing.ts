import type { FrameView, GroupView, PageView, PartView } from '@/api/client';

/** What stands in one place of a page: a part, or several groups that share a bar of tabs. */
export type Placed = { part: PartView } | { tabs: GroupView[] };

/** How parts stand on a page. */
export class Placing {
  private readonly frames: Map<string, FrameView>;

  constructor(private readonly page: PageView) {
    this.frames = new Map(page.frames.map((frame) => [frame.part, frame]));
  }

  frame(part: string): FrameView | undefined {
    return this.frames.get(part);
  }

  /** The group that a part stands in; nothing for the page itself. */
  around(part: string): string | undefined {
    const within = this.frames.get(part)?.within;
    return this.page.parts.some(({ id }) => id === within) ? within : undefined;
  }

  /** The parts in a group, or on the page itself. */
  inside(group: string | undefined): PartView[] {
    return this.page.parts.filter(({ id }) => this.around(id) === group);
  }

  /** The same, groups that are tabs and stand next to each other taken together. */
  placed(group: string | undefined): Placed[] {
    const all: Placed[] = [];
    for (const part of this.inside(group)) {
      const last = all.at(-1);
      if (part.kind !== 'group' || part.way !== 'TAB') all.push({ part });
      else if (last && 'tabs' in last) last.tabs.push(part);
      else all.push({ tabs: [part] });
    }
    return all;
  }

  /** The button that belongs to a form or to lines: the first one below. */
  buttonBelow(part: string): string | undefined {
    const at = this.page.parts.findIndex(({ id }) => id === part);
    return this.page.parts
      .slice(at)
      .find((one) => one.kind === 'button' && one.manner !== 'DANGEROUS')?.id;
  }

  /** Whether something that is picked stands in a part, or in a group around it. */
  holds(part: PartView, picked: string | undefined): boolean {
    return (
      part.id === picked ||
      ('rows' in part && part.rows.buttons.some(({ id }) => id === picked)) ||
      (part.kind === 'group' && this.inside(part.id).some((one) => this.holds(one, picked)))
    );
  }
}

package org.mapsel.core.page.run;

import java.util.ArrayList;
import java.util.List;

/** What comes of an event, while it is worked out. */
final class Consequences {

  private final List<PageEffect> effects = new ArrayList<>();
  private final List<Happening> happenings = new ArrayList<>();

  /** Something is to be done outside. */
  void want(PageEffect effect) {
    effects.add(effect);
  }

  /** Something happens, in this order. */
  void tell(Happening happening) {
    happenings.add(happening);
  }

  /** Something that went wrong is said to the visitor. */
  PageState failing(PageState state, String words) {
    tell(new Happening.Says(words));
    return state.saying(new PageState.Message(true, words));
  }

  PageRunner.Stepped after(PageState state) {
    return new PageRunner.Stepped(state, effects, happenings);
  }
}

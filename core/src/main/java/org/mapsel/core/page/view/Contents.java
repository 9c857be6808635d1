package org.mapsel.core.page.view;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.Sources;
import org.mapsel.core.page.run.PageState;
import org.mapsel.core.ref.CallId;

/** Tells how far the calls have come that parts show something of. */
final class Contents {

  private final Page page;
  private final PageState state;

  Contents(Drawing drawing) {
    this.page = drawing.plan().page();
    this.state = drawing.state();
  }

  /** How far the calls have come that a part shows something of. */
  PartView.Content of(Stream<Mapping> shown, boolean empty) {
    Set<CallId> calls = new HashSet<>();
    shown.forEach(mapping -> calls.addAll(Sources.calls(page, mapping.source())));
    List<PageState.Answer> answers =
        calls.stream()
            .flatMap(call -> Optional.ofNullable(state.answers().get(call)).stream())
            .toList();
    if (answers.stream().anyMatch(PageState.Answer.Answered.class::isInstance)) {
      return empty ? PartView.Content.EMPTY : PartView.Content.FILLED;
    }
    if (answers.stream().anyMatch(PageState.Answer.Failed.class::isInstance)) {
      return PartView.Content.FAILED;
    }
    if (answers.stream().anyMatch(PageState.Answer.Asked.class::isInstance)) {
      return PartView.Content.WAITING;
    }
    return calls.isEmpty() && !empty ? PartView.Content.FILLED : PartView.Content.NONE;
  }
}

package org.mapsel.core.page.check;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.mapsel.core.page.App;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.plan.PagePlan;
import org.mapsel.core.ref.PageId;

/** An app that was checked: each page made ready, and what there is to say. */
public record Checked(
    App app, long answers, Map<PageId, CheckedPage> pages, List<AppFinding> model) {

  /**
   * A page made ready and what there is to say about it.
   *
   * @param lasting what is so whatever is answered
   * @param answered what the last answers show
   */
  public record CheckedPage(PagePlan plan, List<AppFinding> lasting, List<AppFinding> answered) {
    public CheckedPage {
      lasting = List.copyOf(lasting);
      answered = List.copyOf(answered);
    }

    /** All of it. */
    public List<AppFinding> findings() {
      return Stream.concat(lasting.stream(), answered.stream()).toList();
    }
  }

  public Checked {
    pages = Map.copyOf(pages);
    model = List.copyOf(model);
  }

  /** Everything there is to say, page by page in their order, the gravest of each page first. */
  public List<AppFinding> findings() {
    List<AppFinding> all = new ArrayList<>();
    for (Page page : app.pages()) {
      pages.get(page.id()).findings().stream()
          .sorted(Comparator.comparing(one -> one.finding().severity()))
          .forEach(all::add);
    }
    all.addAll(model);
    return all;
  }
}

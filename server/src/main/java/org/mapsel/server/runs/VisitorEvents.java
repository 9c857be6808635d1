package org.mapsel.server.runs;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.json.ValueJson;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.run.Lines;
import org.mapsel.core.page.run.PageEvent;
import org.mapsel.core.page.run.PageState;
import org.mapsel.core.page.view.PageViews;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.value.Value;
import org.mapsel.server.web.Problem;
import tools.jackson.databind.JsonNode;

/** What a browser may tell of its visitor. */
final class VisitorEvents {

  private final PageViews views;

  /**
   * @param views the page as it is for the visitor now
   */
  VisitorEvents(PageViews views) {
    this.views = views;
  }

  /** What is told of a visitor; what is not on the page for them cannot have happened. */
  PageEvent of(RunViews.Happening happening) {
    return switch (happening) {
      case RunViews.Happening.ButtonPressed pressed -> pressed(pressed);
      case RunViews.Happening.RowPicked chosen -> {
        PartId part = shown(chosen.part());
        boolean there =
            views
                .rows(part, 0, 0)
                .filter(rows -> chosen.row() >= 0 && chosen.row() < rows.all())
                .isPresent();
        if (!there) {
          throw Problem.conflict("SERVER_ROW_GONE");
        }
        yield new PageEvent.RowChosen(part, chosen.row());
      }
      case RunViews.Happening.RowsArranged arranged ->
          new PageEvent.Arranged(
              shown(arranged.part()),
              new PageState.Arrangement(
                  Optional.ofNullable(arranged.by()).map(PartId::new),
                  arranged.descending(),
                  arranged.find()));
      case RunViews.Happening.Replied replied -> new PageEvent.Replied(replied.yes());
      case RunViews.Happening.TimePassed passed -> new PageEvent.Passed(passed.seconds());
      case RunViews.Happening.VisitorBack back -> new PageEvent.CameBack();
      case RunViews.Happening.ValuesEntered entered -> new PageEvent.Entered(Map.of());
    };
  }

  private PageEvent pressed(RunViews.Happening.ButtonPressed pressed) {
    if (pressed.row() == null) {
      return new PageEvent.Pressed(shown(pressed.button()));
    }
    PartId button = new PartId(pressed.button());
    if (!views.shows(button, pressed.row())) {
      throw Problem.conflict("SERVER_PART_HIDDEN");
    }
    return new PageEvent.Pressed(button, Optional.of(pressed.row()));
  }

  /** A part that is on the page now. */
  PartId shown(String part) {
    PartId id = new PartId(part);
    if (!views.shows(id)) {
      throw Problem.conflict("SERVER_PART_HIDDEN");
    }
    return id;
  }

  /** What was typed; what stands in no form of the page cannot have been. */
  static PageEvent entered(Running running, Map<String, JsonNode> typed) {
    Map<PartId, Value> inputs = new HashMap<>();
    typed.forEach(
        (input, value) -> {
          PartId id = new PartId(input);
          Optional<Part.Lines> lines =
              running
                  .plan()
                  .page()
                  .part(id)
                  .filter(Part.Lines.class::isInstance)
                  .map(Part.Lines.class::cast);
          if (lines.isPresent()) {
            if (value.size() > Lines.MOST) {
              throw Problem.refused(
                  Finding.error("SERVER_LINES_TOO_MANY", "limit", String.valueOf(Lines.MOST)));
            }
            inputs.put(id, Lines.checked(lines.get(), ValueJson.read(value)));
          } else if (running.plan().inputs().containsKey(id)) {
            inputs.put(id, ValueJson.read(value));
          }
        });
    return new PageEvent.Entered(inputs);
  }
}

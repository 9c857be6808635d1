package org.mapsel.core.page.kind;

import org.mapsel.core.mapping.Expected;
import org.mapsel.core.page.Part;

/** All kinds of parts; a new one is a new line here. */
public final class PartKinds {

  private static final FormKind FORM = new FormKind();
  private static final LinesKind LINES = new LinesKind();
  private static final GroupKind GROUP = new GroupKind();
  private static final TableKind TABLE = new TableKind();
  private static final CardsKind CARDS = new CardsKind();
  private static final ChartKind CHART = new ChartKind();
  private static final RecordKind RECORD = new RecordKind();
  private static final ButtonKind BUTTON = new ButtonKind();
  private static final TextKind TEXT = new TextKind();

  private PartKinds() {}

  /** A part with its kind, so that what is asked of it need not ask which it is. */
  private record Known<P extends Part>(PartKind<P> kind, P part) {
    boolean isEmpty() {
      return kind.isEmpty(part);
    }
  }

  private static Known<?> known(Part part) {
    return switch (part) {
      case Part.Form form -> new Known<>(FORM, form);
      case Part.Lines lines -> new Known<>(LINES, lines);
      case Part.Group group -> new Known<>(GROUP, group);
      case Part.Table table -> new Known<>(TABLE, table);
      case Part.Cards cards -> new Known<>(CARDS, cards);
      case Part.Chart chart -> new Known<>(CHART, chart);
      case Part.Record record -> new Known<>(RECORD, record);
      case Part.Button button -> new Known<>(BUTTON, button);
      case Part.Text text -> new Known<>(TEXT, text);
    };
  }

  /** As people call the kind of a part. */
  public static String name(Part part) {
    return known(part).kind().name();
  }

  /** Whether a part has nothing left on it that would be worth showing. */
  public static boolean isEmpty(Part part) {
    return known(part).isEmpty();
  }

  /** What one of a part's own slots takes. */
  public static Expected expects(Part part, String slot) {
    return known(part).kind().expects(slot);
  }
}

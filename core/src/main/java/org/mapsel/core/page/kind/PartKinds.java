package org.mapsel.core.page.kind;

import org.mapsel.core.mapping.Expected;
import org.mapsel.core.page.Part;

/** All kinds of parts; a new one is a new line here. */
public final class PartKinds {

  private static final FormKind FORM = new FormKind();
  private static final TableKind TABLE = new TableKind();
  private static final RecordKind RECORD = new RecordKind();
  private static final ButtonKind BUTTON = new ButtonKind();
  private static final TextKind TEXT = new TextKind();

  private PartKinds() {}

  /** As people call the kind of a part. */
  public static String name(Part part) {
    return switch (part) {
      case Part.Form form -> FORM.name();
      case Part.Table table -> TABLE.name();
      case Part.Record record -> RECORD.name();
      case Part.Button button -> BUTTON.name();
      case Part.Text text -> TEXT.name();
    };
  }

  /** Whether a part has nothing left on it that would be worth showing. */
  public static boolean isEmpty(Part part) {
    return switch (part) {
      case Part.Form form -> FORM.isEmpty(form);
      case Part.Table table -> TABLE.isEmpty(table);
      case Part.Record record -> RECORD.isEmpty(record);
      case Part.Button button -> BUTTON.isEmpty(button);
      case Part.Text text -> TEXT.isEmpty(text);
    };
  }

  /** What one of a part's own slots takes. */
  public static Expected expects(Part part, String slot) {
    return switch (part) {
      case Part.Form form -> FORM.expects(slot);
      case Part.Table table -> TABLE.expects(slot);
      case Part.Record record -> RECORD.expects(slot);
      case Part.Button button -> BUTTON.expects(slot);
      case Part.Text text -> TEXT.expects(slot);
    };
  }
}

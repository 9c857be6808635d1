package org.mapsel.core.page;

import org.mapsel.core.ref.PartId;

/** A column of a table or a field of a record. */
public record Item(PartId id, String label, Format format) {

  /** How a value is shown. */
  public enum Format {
    TEXT,
    NUMBER,
    DATE,
    TIME,
    DATE_TIME,
    YES_NO,
    /** Bytes: a picture if they are one, else something to download. */
    BINARY
  }

  public Item withLabel(String other) {
    return new Item(id, other, format);
  }
}

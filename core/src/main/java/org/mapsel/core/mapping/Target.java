package org.mapsel.core.mapping;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PartId;

/** Where a value goes. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
  @JsonSubTypes.Type(value = Target.Parameter.class, name = "parameter"),
  @JsonSubTypes.Type(value = Target.Rows.class, name = "rows"),
  @JsonSubTypes.Type(value = Target.Shown.class, name = "item")
})
public sealed interface Target {

  /** A parameter of the call. */
  record Parameter(FieldPath path) implements Target {}

  /** The rows of a table: one for each item of the repeated field that is the source. */
  record Rows(PartId part) implements Target {}

  /** A column of a table, or a field of a record. */
  record Shown(PartId part, PartId item) implements Target {}
}

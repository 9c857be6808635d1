package org.mapsel.core.mapping;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PartId;

/** Where a value is taken from. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
  @JsonSubTypes.Type(value = Source.Entered.class, name = "entered"),
  @JsonSubTypes.Type(value = Source.Fixed.class, name = "fixed"),
  @JsonSubTypes.Type(value = Source.Returned.class, name = "returned")
})
public sealed interface Source {

  /** Typed or chosen in a field of a form. */
  record Entered(PartId input) implements Source {}

  /** Always this text. */
  record Fixed(String text) implements Source {}

  /** A returned field of the call. */
  record Returned(FieldPath path) implements Source {}
}

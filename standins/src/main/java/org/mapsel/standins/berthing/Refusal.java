package org.mapsel.standins.berthing;

import java.util.LinkedHashMap;
import java.util.Map;

/** A typed fault: the element of its detail and the fields in it. */
class Refusal extends RuntimeException {

  private static final long serialVersionUID = 1L;

  private final String element;
  private final Map<String, String> fields = new LinkedHashMap<>();

  Refusal(String element, String reason) {
    super(reason);
    this.element = element;
  }

  Refusal with(String field, Object value) {
    fields.put(field, String.valueOf(value));
    return this;
  }

  String element() {
    return element;
  }

  Map<String, String> fields() {
    return fields;
  }
}

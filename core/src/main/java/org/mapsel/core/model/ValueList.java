package org.mapsel.core.model;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.ref.ListId;

/** Codes and the words people read for them. */
public record ValueList(ListId id, String name, List<Choice> items) {

  public ValueList {
    items = List.copyOf(items);
  }

  /** The words for a code; nothing if the list does not have it. */
  public Optional<String> words(String code) {
    return items.stream().filter(item -> item.code().equals(code)).map(Choice::words).findFirst();
  }
}

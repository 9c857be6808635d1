package org.mapsel.core.page;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.value.Value;

/**
 * What is on an open page.
 *
 * @param inputs what is typed, by input
 * @param contents what tables and records show, by part
 * @param messages what there is to say to the user since the last event of theirs
 */
public record PageState(
    Map<PartId, Value> inputs, Map<PartId, Value> contents, List<Message> messages) {

  /** A message to the end user. */
  public record Message(boolean failed, String text) {}

  public PageState {
    inputs = Map.copyOf(inputs);
    contents = Map.copyOf(contents);
    messages = List.copyOf(messages);
  }

  public static PageState empty() {
    return new PageState(Map.of(), Map.of(), List.of());
  }

  PageState withInput(PartId input, Value value) {
    Map<PartId, Value> changed = new HashMap<>(inputs);
    changed.put(input, value);
    return new PageState(changed, contents, messages);
  }

  PageState withContents(Map<PartId, Value> more) {
    Map<PartId, Value> changed = new HashMap<>(contents);
    changed.putAll(more);
    return new PageState(inputs, changed, messages);
  }

  PageState withoutMessages() {
    return new PageState(inputs, contents, List.of());
  }

  PageState saying(Message message) {
    List<Message> more = new ArrayList<>(messages);
    more.add(message);
    return new PageState(inputs, contents, more);
  }
}

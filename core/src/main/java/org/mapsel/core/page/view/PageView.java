package org.mapsel.core.page.view;

import java.util.List;

/** A page as it is drawn. */
public record PageView(String name, List<PartView> parts, List<MessageView> messages) {

  public PageView {
    parts = List.copyOf(parts);
    messages = List.copyOf(messages);
  }

  /** Something to say to the visitor. */
  public record MessageView(boolean failed, String text) {}
}

package org.mapsel.core.read.openapi;

import java.util.List;
import org.mapsel.core.document.DataNode;

/** Which of the declared ways to say who calls an operation wants. */
final class Logins {

  private static final String SECURITY = "security";

  private Logins() {}

  /**
   * What the operation says counts before what the whole description says, also if it is nothing.
   */
  static List<String> wanted(Located root, Located operation) {
    DataNode holder = operation.node().has(SECURITY) ? operation.node() : root.node();
    return holder.items(SECURITY).stream()
        .flatMap(requirement -> requirement.names().stream())
        .distinct()
        .toList();
  }
}

package org.mapsel.core.read.wsdl;

import java.util.Optional;
import java.util.Set;
import org.mapsel.core.document.XmlCursor;

/** What a description says about WS-Addressing (Web Services Addressing 1.0, WSDL binding). */
final class Addressing {

  /** The namespaces of the drafts and of both ways the standard came to be written. */
  private static final Set<String> NAMESPACES =
      Set.of(
          "http://www.w3.org/2006/05/addressing/wsdl",
          "http://www.w3.org/2006/02/addressing/wsdl",
          "http://www.w3.org/2007/02/addressing/metadata",
          "http://www.w3.org/2007/05/addressing/metadata");

  private Addressing() {}

  static Optional<String> action(XmlCursor cursor) {
    return cursor.hasAttributes()
        ? NAMESPACES.stream()
            .flatMap(namespace -> cursor.attribute(namespace, "Action").stream())
            .findFirst()
        : Optional.empty();
  }

  /** Whether the cursor stands on the element that asks for addressing headers. */
  static boolean isWanted(XmlCursor cursor) {
    return NAMESPACES.contains(cursor.namespace())
        && (cursor.local().equals("UsingAddressing") || cursor.local().equals("Addressing"));
  }
}

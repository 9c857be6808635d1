package org.mapsel.core.page.run;

import java.util.Locale;
import java.util.Set;

/** Addresses that a visitor's browser may be sent to. */
final class OutsideAddress {

  private static final Set<String> SCHEMES = Set.of("http", "https", "mailto", "tel");

  private OutsideAddress() {}

  /** Not those that would run something, or open what lies on the visitor's machine. */
  static boolean isFit(String address) {
    int colon = address.indexOf(':');
    return colon > 0 && SCHEMES.contains(address.substring(0, colon).toLowerCase(Locale.ROOT));
  }
}

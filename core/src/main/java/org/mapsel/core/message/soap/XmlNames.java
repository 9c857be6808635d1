package org.mapsel.core.message.soap;

import java.util.regex.Pattern;

/** Whether a text can be the local name of an element (Namespaces in XML 1.0, production 4). */
final class XmlNames {

  private static final Pattern LOCAL = Pattern.compile("[\\p{L}_][\\p{L}\\p{M}\\p{N}._·-]*");

  private XmlNames() {}

  static boolean isLocal(String text) {
    return LOCAL.matcher(text).matches();
  }
}

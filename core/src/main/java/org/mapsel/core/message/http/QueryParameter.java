package org.mapsel.core.message.http;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;

/** One parameter in the query of an address (RFC 3986, section 3.4). */
final class QueryParameter {

  private QueryParameter() {}

  /** The address with the parameter having this value and no other one. */
  static String set(String address, String name, String value) {
    int query = address.indexOf('?');
    List<String> pairs = new ArrayList<>();
    if (query >= 0) {
      for (String pair : address.substring(query + 1).split("&")) {
        if (!pair.isEmpty() && !isOf(pair, name)) {
          pairs.add(pair);
        }
      }
    }
    pairs.add(Percent.encode(name) + "=" + Percent.encode(value));
    return (query < 0 ? address : address.substring(0, query)) + "?" + String.join("&", pairs);
  }

  /** The number that the parameter has; nothing if it is not there or no number. */
  static OptionalInt number(String address, String name) {
    int query = address.indexOf('?');
    if (query >= 0) {
      for (String pair : address.substring(query + 1).split("&")) {
        String value = pair.substring(pair.indexOf('=') + 1);
        if (isOf(pair, name) && value.matches("\\d{1,9}")) {
          return OptionalInt.of(Integer.parseInt(value));
        }
      }
    }
    return OptionalInt.empty();
  }

  private static boolean isOf(String pair, String name) {
    return pair.startsWith(Percent.encode(name) + "=");
  }
}

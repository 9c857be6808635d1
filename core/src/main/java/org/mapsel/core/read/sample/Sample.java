package org.mapsel.core.read.sample;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;

/** A request that was seen, and the answers to it. */
final class Sample {

  /** A header as it was written. */
  record Field(String name, String value) {}

  /** An answer; the media type is empty where it was not said. */
  record Answer(int status, String mediaType, String body) {}

  String method = "";
  String address = "";
  final List<Field> headers = new ArrayList<>();
  String body = "";
  final List<Answer> answers = new ArrayList<>();

  /** What is sent as it stands; the rest are parameters. */
  final Set<String> asGiven = new TreeSet<>();

  String header(String name) {
    return headers.stream()
        .filter(field -> field.name().toLowerCase(Locale.ROOT).equals(name))
        .map(Field::value)
        .findFirst()
        .orElse("");
  }
}

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

  /**
   * A part of a multipart body.
   *
   * @param file whether it is a file, whose content nobody knows
   * @param mediaType empty where it was not said
   */
  record Part(String name, String value, boolean file, String mediaType) {}

  String method = "";
  String address = "";
  final List<Field> headers = new ArrayList<>();
  String body = "";

  /** What is sent instead of a body in one piece. */
  final List<Part> parts = new ArrayList<>();

  final List<Answer> answers = new ArrayList<>();

  /** The values that are parameters; the rest is sent as it was given. */
  final Set<String> parameters = new TreeSet<>();

  String header(String name) {
    return headers.stream()
        .filter(field -> field.name().toLowerCase(Locale.ROOT).equals(name))
        .map(Field::value)
        .findFirst()
        .orElse("");
  }
}

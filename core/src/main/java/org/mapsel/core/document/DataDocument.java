package org.mapsel.core.document;

import java.util.Optional;
import java.util.Set;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.ref.Place;

/**
 * A JSON or YAML document as located nodes, as far as it can be read.
 *
 * @param problem why reading ended early; the nodes are then those up to there
 */
public record DataDocument(Optional<DataNode> root, Optional<Finding> problem) {

  /** Reads JSON, or YAML if the document is no JSON. Only the first document of several counts. */
  public static DataDocument read(SourceText source, Limits limits) {
    return read(source, limits, Set.of(), Integer.MAX_VALUE);
  }

  /**
   * Like the other, and marks what holds certain members, so that they are found quickly. The whole
   * text is checked, but nodes for what lies deep in JSON are made when somebody asks for them: of
   * a large description few people need more than some operations.
   *
   * @param marks the names of members to be marked
   * @param depth of containers from the root, which is at 1, down to those of which just the simple
   *     members are read at once
   */
  public static DataDocument read(SourceText source, Limits limits, Set<String> marks, int depth) {
    if (source.bytes().length > limits.maxBytes()) {
      return new DataDocument(
          Optional.empty(),
          Optional.of(
              Finding.error("DATA_DOCUMENT_TOO_LARGE", "limit", (limits.maxBytes() >> 20) + " MB")
                  .at(Place.in(source.address()))));
    }
    return isJson(source.bytes())
        ? new JsonNodes(source, limits, marks, depth).read()
        : new YamlNodes(source, limits, marks).read();
  }

  /** Whether the text begins like JSON. */
  private static boolean isJson(byte[] bytes) {
    for (byte b : bytes) {
      // What is no letter of any alphabet here is a byte order mark or half of a wide character.
      if (b > ' ') {
        return b == '{' || b == '[';
      }
    }
    return false;
  }

  /** Says why no more can be read. */
  static Finding broken(String reason, Place place) {
    String line = reason.lines().findFirst().orElse("");
    return Finding.error("DATA_DOCUMENT_BROKEN", "reason", line).at(place);
  }
}

package org.mapsel.core.document;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.ref.Place;

/**
 * A JSON or YAML document as located nodes, as far as it can be read.
 *
 * @param problem why reading ended early; the nodes are then those up to there
 * @param marked the objects with a member that was to be marked; of those that hold just the same
 *     one text, one
 */
public record DataDocument(
    Optional<DataNode> root, Optional<Finding> problem, List<DataNode> marked) {

  /** Reads JSON, or YAML if the document is no JSON. Only the first document of several counts. */
  public static DataDocument read(SourceText source, Limits limits) {
    return read(source, limits, Set.of());
  }

  /**
   * Like the other, and marks what holds certain members, so that they are found quickly.
   *
   * @param marks their names
   */
  public static DataDocument read(SourceText source, Limits limits, Set<String> marks) {
    if (source.bytes().length > limits.maxBytes()) {
      return new DataDocument(
          Optional.empty(),
          Optional.of(
              Finding.error("DATA_DOCUMENT_TOO_LARGE", "limit", (limits.maxBytes() >> 20) + " MB")
                  .at(Place.in(source.address()))),
          List.of());
    }
    return isJson(source.bytes())
        ? new JsonNodes(source, limits, marks).read()
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

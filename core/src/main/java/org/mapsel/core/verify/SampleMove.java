package org.mapsel.core.verify;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.mapsel.core.drift.Difference;
import org.mapsel.core.drift.Difference.Side;
import org.mapsel.core.drift.Drift;
import org.mapsel.core.drift.Harm;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.Step;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.SeenSamples;
import org.mapsel.core.service.Service;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What another edition of a service means for the samples of an operation. */
public final class SampleMove {

  private final List<Difference> differences;
  private final MovedFields in;
  private final MovedFields out;

  private SampleMove(List<Difference> differences, MovedFields in, MovedFields out) {
    this.differences = differences;
    this.in = in;
    this.out = out;
  }

  /**
   * Compares an operation in the edition that samples were taken with and in another one.
   *
   * @param service what the service is called where samples are kept
   */
  public static SampleMove of(
      Service before,
      Operation was,
      Service after,
      Operation is,
      String service,
      SeenSamples seen) {
    List<Difference> differences = Drift.between(before, was, after, is, service, seen);
    return new SampleMove(
        differences,
        new MovedFields(
            of(differences, Side.IN), before.shapes(), was.input(), after.shapes(), is.input()),
        new MovedFields(
            of(differences, Side.OUT), before.shapes(), was.output(), after.shapes(), is.output()));
  }

  private static List<Difference> of(List<Difference> differences, Side side) {
    return differences.stream().filter(one -> one.side().equals(Optional.of(side))).toList();
  }

  /** Parameters as the other edition has them. */
  public JsonNode parameters(JsonNode parameters) {
    return in.in(parameters);
  }

  /**
   * The same, with what only the other edition reads in what was sent.
   *
   * @param read the parameters as the other edition reads the request
   */
  public JsonNode parameters(JsonNode parameters, JsonNode read) {
    return filled(parameters(parameters), read);
  }

  /** An answer as the other edition has it. */
  public JsonNode answer(JsonNode answer) {
    return out.in(answer);
  }

  /**
   * The same, with what only the other edition reads in it.
   *
   * @param read the answer as the other edition reads what came over the wire
   */
  public JsonNode answer(JsonNode answer, JsonNode read) {
    return filled(answer(answer), read);
  }

  /** What is there, with the members that only another reading of the same has. */
  private static JsonNode filled(JsonNode there, JsonNode read) {
    if (there instanceof ObjectNode known && read instanceof ObjectNode more) {
      ObjectNode filled = known.objectNode();
      known
          .properties()
          .forEach(
              member ->
                  filled.set(
                      member.getKey(),
                      more.has(member.getKey())
                          ? filled(member.getValue(), more.get(member.getKey()))
                          : member.getValue()));
      more.properties()
          .forEach(
              member -> {
                if (!known.has(member.getKey())) {
                  filled.set(member.getKey(), member.getValue());
                }
              });
      return filled;
    }
    if (there instanceof ArrayNode items
        && read instanceof ArrayNode more
        && items.size() == more.size()) {
      ArrayNode filled = items.arrayNode();
      for (int i = 0; i < items.size(); i++) {
        filled.add(filled(items.get(i), more.get(i)));
      }
      return filled;
    }
    return there;
  }

  /** A check with its fields where the other edition has them. */
  public Check check(Check check) {
    return new Check(
        check.holds(),
        paths(check.fields()),
        paths(check.ignored()),
        paths(check.unordered()),
        check.tolerance(),
        check.within());
  }

  private List<FieldPath> paths(List<FieldPath> paths) {
    return paths.stream().map(this::path).toList();
  }

  private FieldPath path(FieldPath path) {
    return out.followed().stream()
        .filter(one -> path.startsWith(one.path()))
        .findFirst()
        .map(one -> one.renamed().orElseThrow().then(path.below(one.path())))
        .orElse(path);
  }

  /** The differences that are made up for, because the values go along. */
  public List<Difference> followed() {
    return Stream.concat(in.followed().stream(), out.followed().stream()).toList();
  }

  /**
   * The differences that a sample has to do with: it holds the field, or has not got what is needed
   * now.
   */
  public List<Difference> touching(JsonNode parameters, Optional<JsonNode> answer) {
    return differences.stream()
        .filter(one -> one.harm() != Harm.ADDS && one.side().isPresent())
        .filter(
            one -> {
              boolean in = one.side().get() == Side.IN;
              boolean asked =
                  in
                      && (one.kind() == Difference.Kind.ADDED
                          || one.kind() == Difference.Kind.REQUIRED);
              Optional<JsonNode> message = in ? Optional.of(parameters) : answer;
              return message.filter(known -> isAbout(known, one.path(), asked)).isPresent();
            })
        .toList();
  }

  /** What is asked for in a group that is not there is not asked for. */
  private static boolean isAbout(JsonNode message, FieldPath path, boolean asked) {
    return asked
        ? holds(message, path.parent(), 0) && !holds(message, path, 0)
        : holds(message, path, 0);
  }

  private static boolean holds(JsonNode there, FieldPath path, int at) {
    if (there.isArray()) {
      return there.valueStream().anyMatch(item -> holds(item, path, at));
    }
    return at == path.length()
        || path.steps().get(at) instanceof Step.Name name
            && there.has(name.name())
            && holds(there.get(name.name()), path, at + 1);
  }
}

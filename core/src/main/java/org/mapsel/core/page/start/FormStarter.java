package org.mapsel.core.page.start;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.model.Labels;
import org.mapsel.core.page.Call;
import org.mapsel.core.page.Ids;
import org.mapsel.core.page.Input;
import org.mapsel.core.page.Part;
import org.mapsel.core.page.ServiceLookup.Pinned;
import org.mapsel.core.page.reach.Alternatives;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.shape.FieldTree;
import org.mapsel.core.shape.FieldTree.Row;
import org.mapsel.core.shape.Shape;

/** Makes forms over what an operation takes. */
final class FormStarter {

  /** More optional inputs than these are not asked for. */
  private static final int MOST_INPUTS = 24;

  /** More are not asked for even if some alternative of what is sent needs them. */
  private static final int MOST_NEEDED = 240;

  /** So few fields of an alternative are asked for even if it needs none of them. */
  private static final int FEW_IN_ALTERNATIVE = 6;

  private final Ids ids;
  private final Pinned pinned;
  private final Asked asked;
  private final List<Row> rows;

  FormStarter(Ids ids, Pinned pinned) {
    this.ids = ids;
    this.pinned = pinned;
    this.asked = new Asked(pinned.service(), pinned.operation());
    this.rows =
        FieldTree.rows(pinned.service().shapes(), pinned.operation().input(), FieldTree.Limit.SENT);
  }

  /** A form, lines for each list in it, and the call with everything filled from these. */
  record Made(List<Part> parts, Call call) {}

  /**
   * Asks for everything: required parameters always, optional ones as long as the form stays
   * readable; those of a list as lines.
   *
   * @param call what is filled in it is not asked for
   */
  Made all(Call call) {
    return form(call, row -> true, (input, path) -> input);
  }

  /**
   * The same without lists.
   *
   * @param started what an input starts with, for the parameter that it fills
   */
  Made alone(Call call, BiFunction<Input, FieldPath, Input> started) {
    return form(call, row -> row.rows().isRoot(), started);
  }

  private Made form(Call call, Predicate<Row> wanted, BiFunction<Input, FieldPath, Input> started) {
    List<Row> leaves =
        rows.stream()
            .filter(row -> isTyped(row) && asked.isAsked(row))
            .filter(row -> wanted.test(row) && call.mapping(row.path()).isEmpty())
            .toList();
    List<Call.Parameter> parameters = new ArrayList<>(call.parameters());
    Map<FieldPath, List<Input>> byRows = new LinkedHashMap<>();
    for (Row leaf : leaves.size() <= MOST_INPUTS ? leaves : needed(leaves)) {
      FieldPath around = leaf.rows();
      Input input = Input.of(new PartId(ids.next(leaf.path().last())));
      byRows
          .computeIfAbsent(around, none -> new ArrayList<>())
          .add(started.apply(input, leaf.path()));
      parameters.add(filled(leaf.path(), input.id()));
    }
    List<Input> alone = byRows.getOrDefault(FieldPath.ROOT, new ArrayList<>());
    byRows.remove(FieldPath.ROOT);
    askWhich(alone, parameters);
    List<Part> parts = new ArrayList<>();
    if (!alone.isEmpty()) {
      parts.add(Part.Form.of(new PartId(ids.next("form")), alone));
    }
    byRows.forEach(
        (around, inputs) -> {
          PartId id = new PartId(ids.next(around.last()));
          parts.add(Part.Lines.of(id, Labels.of(nameOf(around)), inputs));
          parameters.add(filled(around, id));
        });
    return new Made(parts, call.withParameters(parameters));
  }

  /** What may be anything is asked for only where it is needed, or all there is in a line. */
  private static boolean isTyped(Row row) {
    return row.shape() instanceof Shape.Scalar
        || row.takesText() && (row.needed() || !row.rows().isRoot());
  }

  private String nameOf(FieldPath list) {
    return pinned.service().shapes().nameOfList(pinned.operation().input(), list);
  }

  /** What must be filled, whichever alternative is chosen of what is required. */
  private List<Row> needed(List<Row> leaves) {
    Set<FieldPath> needed = new HashSet<>();
    Set<FieldPath> choices = new HashSet<>();
    needed.add(FieldPath.ROOT);
    for (Row row : rows) {
      FieldPath around = row.path().first(row.path().length() - 1);
      if (needed.contains(around) && (row.field().isRequired() || choices.contains(around))) {
        needed.add(row.path());
      }
      if (Alternatives.isChoice(row)) {
        choices.add(row.path());
      }
    }
    Set<FieldPath> bare = bare(leaves, needed, choices);
    return leaves.stream()
        .filter(leaf -> needed.contains(leaf.path()) || around(leaf).anyMatch(bare::contains))
        .limit(MOST_NEEDED)
        .toList();
  }

  /** The alternatives that need nothing of the little that they have: that is asked for then. */
  private static Set<FieldPath> bare(
      List<Row> leaves, Set<FieldPath> needed, Set<FieldPath> choices) {
    Map<FieldPath, List<Row>> alternatives = new LinkedHashMap<>();
    for (Row leaf : leaves) {
      around(leaf)
          .filter(path -> !path.isRoot() && choices.contains(path.first(path.length() - 1)))
          .filter(needed::contains)
          .forEach(path -> alternatives.computeIfAbsent(path, none -> new ArrayList<>()).add(leaf));
    }
    return alternatives.entrySet().stream()
        .filter(one -> one.getValue().size() <= FEW_IN_ALTERNATIVE)
        .filter(one -> one.getValue().stream().noneMatch(leaf -> needed.contains(leaf.path())))
        .map(Map.Entry::getKey)
        .collect(Collectors.toSet());
  }

  /** The way to a field, from the outside in, with itself. */
  private static Stream<FieldPath> around(Row leaf) {
    return IntStream.rangeClosed(1, leaf.path().length()).mapToObj(leaf.path()::first);
  }

  /** Where several alternatives of something are asked for, which of them it is comes first. */
  private void askWhich(List<Input> inputs, List<Call.Parameter> parameters) {
    List<Row> choices =
        rows.stream()
            .filter(row -> Alternatives.isChoice(row) && !row.repeats() && row.rows().isRoot())
            .toList();
    for (Row choice : choices) {
      FieldPath path = choice.path();
      List<Call.Parameter> inside =
          parameters.stream()
              .filter(parameter -> parameter.path().startsWith(path))
              .filter(parameter -> parameter.path().length() > path.length())
              .toList();
      long alternatives =
          inside.stream().map(parameter -> parameter.path().name(path.length())).distinct().count();
      if (alternatives > 1 || choice.needed() && alternatives == 0 && canBeEmpty(choice)) {
        Input which = Input.of(new PartId(ids.next(path.last())));
        Set<Source> filling =
            inside.stream()
                .map(parameter -> parameter.mapping().source())
                .collect(Collectors.toSet());
        long before =
            inputs.stream()
                .takeWhile(input -> !filling.contains(new Source.Entered(input.id())))
                .count();
        inputs.add((int) before, which);
        parameters.add(filled(path, which.id()));
      }
    }
  }

  /** Whether some alternative needs nothing in it. */
  private boolean canBeEmpty(Row choice) {
    return rows.stream()
        .filter(row -> row.path().length() == choice.path().length() + 1)
        .filter(row -> row.path().startsWith(choice.path()))
        .anyMatch(Alternatives::mayBeEmpty);
  }

  private static Call.Parameter filled(FieldPath path, PartId from) {
    return new Call.Parameter(path, new Mapping(new Source.Entered(from)));
  }
}

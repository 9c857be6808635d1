package org.mapsel.core.page.offer;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.mapsel.core.model.Model;
import org.mapsel.core.model.ShapeRef;
import org.mapsel.core.page.Page;
import org.mapsel.core.page.edit.RowFields;
import org.mapsel.core.page.reach.PageReach;
import org.mapsel.core.page.start.PageStarter;
import org.mapsel.core.pairing.Lexicon;
import org.mapsel.core.pairing.Pairer;
import org.mapsel.core.pairing.Pairing;
import org.mapsel.core.pairing.PairingField;
import org.mapsel.core.pairing.PairingFields;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;
import org.mapsel.core.service.Effect;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.SeenSamples;
import org.mapsel.core.service.Service;
import org.mapsel.core.shape.Hints;
import org.mapsel.core.shape.ValueType;

/**
 * Finds operations that give lists of what an input asks for, so that people can choose it instead
 * of typing it: the field that looks to be the same is put in, a name beside it is read.
 */
public final class ChoiceOffers {

  /** More operations than these are not looked through. */
  private static final int MOST_OPERATIONS = 300;

  /** Nobody reads through more. */
  private static final int MOST = 30;

  /** A row with more fields than these is looked at as far as these. */
  private static final int MOST_FIELDS = 200;

  /**
   * A service that may be asked.
   *
   * @param id in the workspace
   * @param taken its operations that may be called
   */
  public record Candidate(String id, Service service, Set<OperationId> taken) {}

  /**
   * A list to choose from.
   *
   * @param rows the list in the answer
   * @param value the field of a row that is put in
   * @param words the field of a row that people read
   * @param reasons why the value looks to be what is asked for
   */
  public record ChoiceOffer(
      String service,
      OperationId operation,
      FieldPath rows,
      FieldPath value,
      FieldPath words,
      double score,
      List<String> reasons) {}

  private final Model model;
  private final Page page;
  private final PageReach reach;
  private final Lexicon lexicon;
  private final SeenSamples seen;

  public ChoiceOffers(Model model, Page page, PageReach reach, Lexicon lexicon, SeenSamples seen) {
    this.model = model;
    this.page = page;
    this.reach = reach;
    this.lexicon = lexicon;
    this.seen = seen;
  }

  /** The best first; none for an input that fills no parameter. */
  public List<ChoiceOffer> of(PartId input, List<Candidate> candidates) {
    Optional<PairingField> wanted = wanted(input);
    if (wanted.isEmpty()) {
      return List.of();
    }
    return candidates.stream()
        .flatMap(candidate -> reading(candidate).map(one -> new Listing(candidate, one)))
        .limit(MOST_OPERATIONS)
        .flatMap(one -> offer(wanted.get(), one.candidate(), one.operation()).stream())
        .sorted(
            Comparator.comparingDouble(ChoiceOffer::score)
                .reversed()
                .thenComparing(offer -> offer.operation().text()))
        .limit(MOST)
        .toList();
  }

  /** An operation of a service. */
  private record Listing(Candidate candidate, Operation operation) {}

  /** What may be called without changing anything. */
  private static Stream<Operation> reading(Candidate candidate) {
    return candidate.taken().stream()
        .flatMap(id -> candidate.service().findOperation(id).stream())
        .filter(operation -> operation.effect() == Effect.READS);
  }

  private Optional<PairingField> wanted(PartId input) {
    return reach.filledBy(input).stream().findFirst().flatMap(this::parameter);
  }

  private Optional<PairingField> parameter(SlotId.OfParameter slot) {
    return page.call(slot.call())
        .flatMap(
            call ->
                reach
                    .pinned(call.id())
                    .flatMap(
                        pinned ->
                            PairingFields.of(
                                    pinned.service().shapes(),
                                    pinned.operation().input(),
                                    FieldPath.ROOT,
                                    Hints.Direction.SENT_ONLY,
                                    seen.sent(call.service(), call.operation()))
                                .stream()
                                .filter(field -> field.path().equals(slot.parameter()))
                                .findFirst()));
  }

  private Optional<ChoiceOffer> offer(
      PairingField wanted, Candidate candidate, Operation operation) {
    Service service = candidate.service();
    FieldPath rows = PageStarter.rowsOf(service, operation);
    if (rows.isRoot()) {
      return Optional.empty();
    }
    List<PairingField> fields =
        PairingFields.of(
                service.shapes(),
                operation.output(),
                rows,
                Hints.Direction.RETURNED_ONLY,
                seen.answered(candidate.id(), operation.id()))
            .stream()
            .filter(
                field -> service.shapes().rowsAround(operation.output(), field.path()).equals(rows))
            .limit(MOST_FIELDS)
            .map(field -> named(field, rows.last()))
            .toList();
    return new Pairer(lexicon)
        .pair(List.of(wanted), fields).pairs().stream()
            .findFirst()
            .map(pair -> offer(candidate, operation, rows, pair));
  }

  /** What is only called id or code is told apart by what the list is called. */
  private static PairingField named(PairingField field, String list) {
    List<String> names = new ArrayList<>();
    names.add(list);
    names.addAll(field.names());
    return new PairingField(
        field.path(),
        names,
        field.label(),
        field.documentation(),
        field.type(),
        field.facets(),
        field.unit(),
        field.key(),
        field.required(),
        field.repeated(),
        field.values());
  }

  private ChoiceOffer offer(
      Candidate candidate, Operation operation, FieldPath rows, Pairing.Pair pair) {
    FieldPath value = pair.right().path();
    return new ChoiceOffer(
        candidate.id(),
        operation.id(),
        rows,
        value.below(rows),
        words(candidate, operation, value).below(rows),
        pair.score(),
        pair.reasons());
  }

  /** A name that stands beside the value; the value itself if there is none. */
  private FieldPath words(Candidate candidate, Operation operation, FieldPath value) {
    FieldPath record = value.parent();
    return candidate
        .service()
        .shapes()
        .typeAt(operation.output(), record)
        .filter(ValueType.Shaped.class::isInstance)
        .map(ValueType.Shaped.class::cast)
        .map(type -> RowFields.of(model, type.shapes(), new ShapeRef(candidate.id(), type.shape())))
        .filter(fields -> !fields.title().equals(fields.key()))
        .map(fields -> record.then(fields.title()))
        .orElse(value);
  }
}

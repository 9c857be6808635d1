package org.mapsel.core.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.mapping.Source;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.ReactionId;
import org.mapsel.core.ref.SlotId;

/**
 * A page: what it is opened with, its parts from top to bottom, the calls it makes and what happens
 * when.
 */
public record Page(
    PageId id,
    String name,
    List<Argument> arguments,
    List<Part> parts,
    List<Call> calls,
    List<Reaction> reactions) {

  /** A part, and a thing in it. */
  public record Inside(Part part, Item item) {}

  public Page {
    arguments = List.copyOf(arguments);
    parts = List.copyOf(parts);
    calls = List.copyOf(calls);
    reactions = List.copyOf(reactions);
  }

  public static Page empty(PageId id, String name) {
    return new Page(id, name, List.of(), List.of(), List.of(), List.of());
  }

  public Optional<Argument> argument(String wanted) {
    return arguments.stream().filter(known -> known.name().equals(wanted)).findFirst();
  }

  public Optional<Part> part(PartId part) {
    return parts.stream().filter(known -> known.id().equals(part)).findFirst();
  }

  /** A part over rows. */
  public Optional<Part.OverRows> rowsPart(PartId part) {
    return part(part).filter(Part.OverRows.class::isInstance).map(Part.OverRows.class::cast);
  }

  public Optional<Call> call(CallId call) {
    return calls.stream().filter(known -> known.id().equals(call)).findFirst();
  }

  public Optional<Reaction> reaction(ReactionId reaction) {
    return reactions.stream().filter(known -> known.id().equals(reaction)).findFirst();
  }

  /** A step, and the reaction that it is of. */
  public Optional<Reaction> reactionOf(PartId step) {
    return reactions.stream()
        .filter(known -> known.all().anyMatch(one -> one.id().equals(step)))
        .findFirst();
  }

  public Optional<Reaction.Step> step(PartId step) {
    return reactions.stream()
        .flatMap(Reaction::all)
        .filter(known -> known.id().equals(step))
        .findFirst();
  }

  /** An input, column or field, and the part that it is in. */
  public Optional<Inside> item(PartId item) {
    return items().filter(inside -> inside.item().id().equals(item)).findFirst();
  }

  /** Every input, column and field, from top to bottom. */
  public Stream<Inside> items() {
    return parts.stream()
        .flatMap(part -> part.items().stream().map(item -> new Inside(part, item)));
  }

  /** Every input, from top to bottom. */
  public Stream<Input> inputs() {
    return items().map(Inside::item).filter(Input.class::isInstance).map(Input.class::cast);
  }

  /** The table or list in whose rows a part is drawn. */
  public Optional<Part> rowsAround(Part part) {
    return part.frame().within().flatMap(this::rowsPart).map(Part.class::cast);
  }

  /** The group that a part stands in. */
  public Optional<Part> groupAround(Part part) {
    return part.frame().within().flatMap(this::part).filter(Part.Group.class::isInstance);
  }

  /** The buttons that stand in every row of a part. */
  public List<Part.Button> buttonsIn(Part.OverRows rows) {
    return parts.stream()
        .filter(Part.Button.class::isInstance)
        .map(Part.Button.class::cast)
        .filter(button -> button.frame().within().filter(rows.id()::equals).isPresent())
        .toList();
  }

  /** The part whose lines a mapping takes; nothing if it takes something else. */
  public Optional<Part.Lines> linesOf(Mapping mapping) {
    return mapping.source() instanceof Source.Entered entered
        ? part(entered.input()).filter(Part.Lines.class::isInstance).map(Part.Lines.class::cast)
        : Optional.empty();
  }

  /** Whether a mapping gives one value that is typed or always the same, and so no record. */
  public boolean isOneValue(Mapping mapping) {
    return mapping.source() instanceof Source.Fixed
        || mapping.source() instanceof Source.Entered && linesOf(mapping).isEmpty();
  }

  /** The record around a parameter that is filled as a whole, for which this one is filled. */
  public Optional<Call.Parameter> around(Call call, FieldPath path) {
    for (int length = path.length() - 1; length > 0; length--) {
      FieldPath around = path.first(length);
      // One value around others only says which of several alternatives is sent.
      Optional<Mapping> mapping = call.mapping(around).filter(known -> !isOneValue(known));
      if (mapping.isPresent()) {
        return Optional.of(new Call.Parameter(around, mapping.get()));
      }
    }
    return Optional.empty();
  }

  /** Every slot that has a mapping, the calls' first. */
  public List<Slot> slots() {
    List<Slot> slots = new ArrayList<>();
    for (Call call : calls) {
      call.parameters()
          .forEach(
              parameter ->
                  slots.add(
                      new Slot(
                          new SlotId.OfParameter(id, call.id(), parameter.path()),
                          parameter.mapping())));
    }
    for (Part part : parts) {
      add(slots, part.id(), part.slots());
      part.items().forEach(item -> add(slots, item.id(), item.slots()));
    }
    for (Reaction reaction : reactions) {
      reaction
          .condition()
          .ifPresent(mapping -> add(slots, reaction.owner(), Map.of(Reaction.CONDITION, mapping)));
      reaction.all().forEach(step -> add(slots, step.id(), step.slots()));
    }
    return slots;
  }

  private void add(List<Slot> slots, PartId owner, Map<String, Mapping> mappings) {
    mappings.forEach(
        (slot, mapping) -> slots.add(new Slot(new SlotId.OfPart(id, owner, slot), mapping)));
  }

  /** What fills a slot; nothing if nothing does. */
  public Optional<Mapping> mapping(SlotId slot) {
    return switch (slot) {
      case SlotId.OfParameter parameter ->
          call(parameter.call()).flatMap(call -> call.mapping(parameter.parameter()));
      case SlotId.OfPart part ->
          part(part.owner())
              .map(Part::slots)
              .or(() -> item(part.owner()).map(inside -> inside.item().slots()))
              .or(() -> step(part.owner()).map(Reaction.Step::slots))
              .or(() -> conditioned(part).map(Page::condition))
              .flatMap(slots -> Optional.ofNullable(slots.get(part.name())));
    };
  }

  private Optional<Reaction> conditioned(SlotId.OfPart slot) {
    return reactions.stream().filter(reaction -> reaction.owner().equals(slot.owner())).findFirst();
  }

  private static Map<String, Mapping> condition(Reaction reaction) {
    return reaction
        .condition()
        .map(mapping -> Map.of(Reaction.CONDITION, mapping))
        .orElse(Map.of());
  }

  /** Whether there is such a slot, filled or not. */
  public boolean has(SlotId.OfPart slot) {
    return part(slot.owner()).isPresent()
        || item(slot.owner()).isPresent()
        || step(slot.owner()).isPresent()
        || conditioned(slot).isPresent();
  }

  /** The page with a slot filled, or emptied; one that is not there changes nothing. */
  public Page with(SlotId slot, Optional<Mapping> mapping) {
    return switch (slot) {
      case SlotId.OfParameter parameter ->
          call(parameter.call())
              .map(call -> with(call.with(parameter.parameter(), mapping)))
              .orElse(this);
      case SlotId.OfPart part ->
          part(part.owner())
              .map(owner -> with(owner.withSlot(part.name(), mapping)))
              .or(
                  () ->
                      item(part.owner())
                          .map(
                              inside ->
                                  with(
                                      inside.part(), inside.item().withSlot(part.name(), mapping))))
              .or(
                  () ->
                      reactionOf(part.owner())
                          .map(
                              reaction ->
                                  with(
                                      reaction.with(
                                          step(part.owner())
                                              .orElseThrow()
                                              .with(part.name(), mapping)))))
              .or(() -> conditioned(part).map(known -> with(known.withCondition(mapping))))
              .orElse(this);
    };
  }

  public Page withName(String other) {
    return new Page(id, other, arguments, parts, calls, reactions);
  }

  public Page withArguments(List<Argument> other) {
    return new Page(id, name, other, parts, calls, reactions);
  }

  public Page withParts(List<Part> other) {
    return new Page(id, name, arguments, other, calls, reactions);
  }

  public Page withCalls(List<Call> other) {
    return new Page(id, name, arguments, parts, other, reactions);
  }

  public Page withReactions(List<Reaction> other) {
    return new Page(id, name, arguments, parts, calls, other);
  }

  /** The page with one part put in place of the one with its id, or added at the end. */
  public Page with(Part part) {
    List<Part> changed = new ArrayList<>(parts);
    for (int i = 0; i < changed.size(); i++) {
      if (changed.get(i).id().equals(part.id())) {
        changed.set(i, part);
        return withParts(changed);
      }
    }
    changed.add(part);
    return withParts(changed);
  }

  /** The page with one thing in a part put in place of the one with its id. */
  public Page with(Part part, Item item) {
    return with(
        part.withItems(
            part.items().stream()
                .<Item>map(known -> known.id().equals(item.id()) ? item : known)
                .toList()));
  }

  /** The page with one call put in place of the one with its id, or added at the end. */
  public Page with(Call call) {
    if (call(call.id()).isEmpty()) {
      List<Call> more = new ArrayList<>(calls);
      more.add(call);
      return withCalls(more);
    }
    return withCalls(
        calls.stream().map(known -> known.id().equals(call.id()) ? call : known).toList());
  }

  /** The page with one reaction put in place of the one with its id, or added at the end. */
  public Page with(Reaction reaction) {
    if (reaction(reaction.id()).isEmpty()) {
      List<Reaction> more = new ArrayList<>(reactions);
      more.add(reaction);
      return withReactions(more);
    }
    return withReactions(
        reactions.stream()
            .map(known -> known.id().equals(reaction.id()) ? reaction : known)
            .toList());
  }
}

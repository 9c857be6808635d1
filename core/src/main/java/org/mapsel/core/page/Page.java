package org.mapsel.core.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;
import org.mapsel.core.ref.SlotId;

/** A page: its parts from top to bottom, the calls it makes and what happens when. */
public record Page(
    PageId id, String name, List<Part> parts, List<Call> calls, List<Reaction> reactions) {

  /** A part, and a thing in it. */
  public record Inside(Part part, Item item) {}

  public Page {
    parts = List.copyOf(parts);
    calls = List.copyOf(calls);
    reactions = List.copyOf(reactions);
  }

  public Optional<Part> part(PartId part) {
    return parts.stream().filter(known -> known.id().equals(part)).findFirst();
  }

  public Optional<Call> call(CallId call) {
    return calls.stream().filter(known -> known.id().equals(call)).findFirst();
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
      part.slots()
          .forEach(
              (name, mapping) ->
                  slots.add(new Slot(new SlotId.OfPart(id, part.id(), name), mapping)));
      for (Item item : part.items()) {
        item.mapping()
            .ifPresent(
                mapping ->
                    slots.add(new Slot(new SlotId.OfPart(id, item.id(), item.slot()), mapping)));
      }
    }
    return slots;
  }

  /** What fills a slot; nothing if nothing does. */
  public Optional<Mapping> mapping(SlotId slot) {
    return switch (slot) {
      case SlotId.OfParameter parameter ->
          call(parameter.call()).flatMap(call -> call.mapping(parameter.parameter()));
      case SlotId.OfPart part ->
          part(part.owner())
              .map(owner -> Optional.ofNullable(owner.slots().get(part.name())))
              .orElseGet(() -> item(part.owner()).flatMap(inside -> inside.item().mapping()));
    };
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
                          .map(inside -> with(inside.part(), inside.item().with(mapping))))
              .orElse(this);
    };
  }

  public Page withName(String other) {
    return new Page(id, other, parts, calls, reactions);
  }

  public Page withParts(List<Part> other) {
    return new Page(id, name, other, calls, reactions);
  }

  public Page withCalls(List<Call> other) {
    return new Page(id, name, parts, other, reactions);
  }

  public Page withReactions(List<Reaction> other) {
    return new Page(id, name, parts, calls, other);
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

  /** The page with one call put in place of the one with its id. */
  public Page with(Call call) {
    return withCalls(
        calls.stream().map(known -> known.id().equals(call.id()) ? call : known).toList());
  }
}

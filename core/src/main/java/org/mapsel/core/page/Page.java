package org.mapsel.core.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.PageId;
import org.mapsel.core.ref.PartId;

/** A page: its parts from top to bottom, the calls it makes and what happens when. */
public record Page(
    PageId id, String name, List<Part> parts, List<Call> calls, List<Reaction> reactions) {

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

  public Page withName(String other) {
    return new Page(id, other, parts, calls, reactions);
  }

  public Page withParts(List<Part> other) {
    return new Page(id, name, other, calls, reactions);
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

  /** The page with one call put in place of the one with its id. */
  public Page with(Call call) {
    return new Page(
        id,
        name,
        parts,
        calls.stream().map(known -> known.id().equals(call.id()) ? call : known).toList(),
        reactions);
  }

  /** The page making a call by itself when it is opened. */
  Page callingOnOpening(CallId call) {
    List<Reaction> changed = new ArrayList<>(notOpeningWith(call).reactions());
    changed.add(Reaction.onOpening(call));
    return new Page(id, name, parts, calls, changed);
  }

  /** The page without that. */
  Page notOpeningWith(CallId call) {
    List<Reaction> left = new ArrayList<>(reactions);
    left.remove(Reaction.onOpening(call));
    return new Page(id, name, parts, calls, left);
  }
}

package org.mapsel.core.service;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.ref.ShapeId;

/**
 * One thing that can be asked of a service. What its messages are made of may be worked out only
 * when it is asked for: lists of operations need their names alone.
 */
public final class Operation {

  private final OperationId id;
  private final String name;
  private final Effect effect;
  private final String documentation;
  private final Memo<Messages> messages;
  private final Memo<List<Link>> links;

  /**
   * What goes in, what comes back, and how both travel.
   *
   * @param input a record whose fields are the parameters
   * @param output a record whose fields come back, which may be made only when it is asked for
   * @param requestElement the element around the parameters that the description gives, where there
   *     is one
   * @param responseElement likewise around the returned fields
   * @param wires one for every endpoint that offers it, the preferred one first; none if nobody
   *     offers it
   */
  public record Messages(
      ShapeId input,
      Memo<ShapeId> output,
      Optional<Name> requestElement,
      Optional<Name> responseElement,
      List<Fault> faults,
      List<OperationWire> wires) {

    public Messages {
      faults = List.copyOf(faults);
      wires = List.copyOf(wires);
    }

    /** Messages of which all shapes are there already. */
    public Messages(
        ShapeId input,
        ShapeId output,
        Optional<Name> requestElement,
        Optional<Name> responseElement,
        List<Fault> faults,
        List<OperationWire> wires) {
      this(input, Memo.of(output), requestElement, responseElement, faults, wires);
    }
  }

  /** An operation of which all is known, and whose answer leads nowhere by itself. */
  public Operation(
      OperationId id, String name, Effect effect, String documentation, Messages messages) {
    this(id, name, effect, documentation, Memo.of(messages), Memo.of(List.of()));
  }

  /**
   * An operation whose messages and links are worked out when they are asked for.
   *
   * @param links where its answer leads
   */
  public Operation(
      OperationId id,
      String name,
      Effect effect,
      String documentation,
      Memo<Messages> messages,
      Memo<List<Link>> links) {
    this.id = id;
    this.name = name;
    this.effect = effect;
    this.documentation = documentation;
    this.messages = messages;
    this.links = links;
  }

  public OperationId id() {
    return id;
  }

  public String name() {
    return name;
  }

  public Effect effect() {
    return effect;
  }

  public String documentation() {
    return documentation;
  }

  /** A record whose fields are the parameters. */
  public ShapeId input() {
    return messages.get().input();
  }

  /** A record whose fields come back. */
  public ShapeId output() {
    return messages.get().output().get();
  }

  /** The element around the parameters that the description gives, where there is one. */
  public Optional<Name> requestElement() {
    return messages.get().requestElement();
  }

  /** The element around the returned fields that the description gives, where there is one. */
  public Optional<Name> responseElement() {
    return messages.get().responseElement();
  }

  public List<Fault> faults() {
    return messages.get().faults();
  }

  /** One for every endpoint that offers it, the preferred one first; none if nobody offers it. */
  public List<OperationWire> wires() {
    return messages.get().wires();
  }

  /** Where its answer leads. */
  public List<Link> links() {
    return links.get();
  }

  public Optional<OperationWire> wire(EndpointId endpoint) {
    for (OperationWire wire : wires()) {
      if (wire.endpoint().equals(endpoint)) {
        return Optional.of(wire);
      }
    }
    return Optional.empty();
  }

  /** The same, offered in other ways. */
  public Operation offered(List<OperationWire> others) {
    Messages own = messages.get();
    return with(
        new Messages(
            own.input(),
            own.output(),
            own.requestElement(),
            own.responseElement(),
            own.faults(),
            others));
  }

  /** The same, which returns something else. */
  public Operation returning(ShapeId other) {
    Messages own = messages.get();
    return with(
        new Messages(
            own.input(),
            Memo.of(other),
            own.requestElement(),
            own.responseElement(),
            own.faults(),
            own.wires()));
  }

  private Operation with(Messages others) {
    return new Operation(id, name, effect, documentation, Memo.of(others), links);
  }

  /** Whether all that is known of both is the same; works out what was not asked for yet. */
  @Override
  public boolean equals(Object other) {
    return other instanceof Operation that
        && id.equals(that.id)
        && name.equals(that.name)
        && effect == that.effect
        && documentation.equals(that.documentation)
        && messages.get().equals(that.messages.get())
        && links.get().equals(that.links.get());
  }

  @Override
  public int hashCode() {
    return id.hashCode();
  }

  @Override
  public String toString() {
    return "Operation["
        + String.join(", ", id.text(), name, effect.name(), documentation)
        + ", "
        + messages.get()
        + ", "
        + links.get()
        + "]";
  }
}

package org.mapsel.core.declare;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.ref.Name;
import org.mapsel.core.ref.Place;

/**
 * A set of operations without any address (WSDL 1.1, section 2.4: port type).
 *
 * @param bases the interfaces whose operations it has too
 */
public record InterfaceDeclaration(
    Name name, List<Name> bases, List<OperationDeclaration> operations) {

  /**
   * One operation; input and output name messages.
   *
   * @param inputName tells overloaded operations apart, with the name of the output
   * @param addressingAction the action that the description names for WS-Addressing
   */
  public record OperationDeclaration(
      String name,
      Optional<String> inputName,
      Optional<String> outputName,
      Optional<String> addressingAction,
      Optional<Name> input,
      Optional<Name> output,
      List<FaultDeclaration> faults,
      String documentation,
      Place place) {}

  /** A failure that an operation announces. */
  public record FaultDeclaration(String name, Name message, Place place) {}
}

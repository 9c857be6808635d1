package org.mapsel.cli;

/** A command cannot go on; the message says why and what to do. */
final class CommandFailure extends RuntimeException {

  private static final long serialVersionUID = 1L;

  CommandFailure(String message) {
    super(message);
  }
}

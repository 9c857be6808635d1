package org.mapsel.core.link;

import java.util.Locale;
import java.util.Set;
import org.mapsel.core.service.Effect;

/** SOAP does not say whether an operation changes anything; its verb usually does. */
final class EffectGuess {

  private static final Set<String> WRITING =
      Set.of(
          "add",
          "apply",
          "approve",
          "assign",
          "book",
          "cancel",
          "change",
          "clear",
          "close",
          "commit",
          "confirm",
          "copy",
          "create",
          "delete",
          "deliver",
          "disable",
          "enable",
          "execute",
          "import",
          "insert",
          "merge",
          "modify",
          "move",
          "notify",
          "open",
          "order",
          "pay",
          "place",
          "post",
          "process",
          "publish",
          "put",
          "register",
          "reject",
          "release",
          "remove",
          "rename",
          "replace",
          "request",
          "reserve",
          "reset",
          "revoke",
          "run",
          "save",
          "send",
          "set",
          "start",
          "stop",
          "store",
          "submit",
          "switch",
          "transfer",
          "update",
          "upload",
          "upsert",
          "void",
          "withdraw",
          "write");

  private EffectGuess() {}

  static Effect of(String operation) {
    String verb = operation.replaceFirst("^([A-Za-z]?[a-z]*).*$", "$1").toLowerCase(Locale.ROOT);
    return WRITING.contains(verb) ? Effect.WRITES : Effect.READS;
  }
}

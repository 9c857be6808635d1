package org.mapsel.core.link;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import org.mapsel.core.declare.HttpDeclaration;
import org.mapsel.core.ref.OperationId;

/** Gives operations that are a method on a path ids of their own. */
final class HttpIds {

  private static final Pattern NOT_IN_A_STEP = Pattern.compile("[\\s/\\\\?#%;{}]+");

  private final Set<String> taken = new HashSet<>();

  private HttpIds() {}

  /** One for each operation, in their order. */
  static List<OperationId> of(List<HttpDeclaration> declared) {
    Set<String> seen = HashSet.newHashSet(declared.size());
    boolean asDeclared =
        declared.stream()
            .map(HttpDeclaration::id)
            .allMatch(id -> !id.isEmpty() && isPlain(id) && seen.add(id));
    if (asDeclared) {
      return declared.stream().map(operation -> new OperationId(operation.id())).toList();
    }
    Map<String, Integer> times = new HashMap<>();
    declared.forEach(operation -> times.merge(operation.id(), 1, Integer::sum));
    HttpIds made = new HttpIds();
    List<OperationId> ids = new ArrayList<>();
    for (HttpDeclaration operation : declared) {
      boolean named = !operation.id().isEmpty() && times.get(operation.id()) == 1;
      ids.add(new OperationId(made.newId(operation, named)));
    }
    return ids;
  }

  /** The description's own name, or else method and path, which are unique. */
  private String newId(HttpDeclaration declared, boolean named) {
    String wished = named ? declared.id() : declared.method() + " " + declared.path();
    // An id stands in addresses as one step.
    String plain =
        isPlain(wished) || !NOT_IN_A_STEP.matcher(wished).find()
            ? wished
            : NOT_IN_A_STEP.matcher(wished).replaceAll("-").replaceFirst("-+$", "");
    String id = plain;
    for (int i = 2; !taken.add(id); i++) {
      id = plain + "-" + i;
    }
    return id;
  }

  private static boolean isPlain(String id) {
    for (int i = 0; i < id.length(); i++) {
      if (!Character.isLetterOrDigit(id.charAt(i)) && id.charAt(i) != '_') {
        return false;
      }
    }
    return true;
  }
}

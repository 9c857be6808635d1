package org.mapsel.core.link;

import java.util.Set;
import java.util.function.UnaryOperator;

/**
 * What the shapes of declared types are called: by their name where types usually stand in the main
 * document, elsewhere by the whole way to them.
 */
final class TypeIds {

  /** Where types are kept (OpenAPI 3.1, Components Object; Swagger 2.0, Definitions Object). */
  private static final Set<String> USUAL = Set.of("#/components/schemas/", "#/definitions/");

  private TypeIds() {}

  /**
   * @param main the address of the main document
   */
  static UnaryOperator<String> beside(String main) {
    String folder = main.substring(0, main.lastIndexOf('/') + 1);
    return target -> {
      String name = DataTypes.nameOf(target);
      String document = target.substring(0, Math.max(0, target.indexOf('#')));
      String way = target.substring(0, target.length() - name.length());
      String pointer = way.substring(document.length());
      boolean here = document.isEmpty() || document.equals(main);
      if (here && USUAL.contains(pointer)) {
        return name;
      }
      String place =
          here ? "" : document.startsWith(folder) ? document.substring(folder.length()) : document;
      return (USUAL.contains(pointer) ? place + "/" : place + pointer) + name;
    };
  }
}

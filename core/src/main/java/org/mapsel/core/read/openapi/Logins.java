package org.mapsel.core.read.openapi;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.mapsel.core.document.DataNode;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.read.Reading;

/** Tells how the service wants to know who calls (OpenAPI 3.1, Security Scheme Object). */
final class Logins {

  private static final String SECURITY = "security";

  private Logins() {}

  /** A note for each way that an operation wants or that holds for all of them. */
  static void tell(Located root, References references, Reading reading) {
    Optional<Located> schemes =
        root.find("components")
            .flatMap(components -> components.find("securitySchemes"))
            .or(() -> root.find("securityDefinitions"));
    if (schemes.isEmpty()) {
      return;
    }
    for (String name : wanted(root.node())) {
      schemes
          .flatMap(all -> all.find(name))
          .flatMap(references::follow)
          .ifPresent(
              scheme ->
                  reading
                      .findings()
                      .add(
                          Finding.note(
                                  "OPENAPI_LOGIN_WANTED", "name", name, "how", how(scheme.node()))
                              .at(scheme.place())));
    }
  }

  private static Set<String> wanted(DataNode root) {
    Set<String> names = new LinkedHashSet<>();
    List<DataNode> holders = new ArrayList<>(List.of(root));
    root.find("paths").ifPresent(paths -> paths.forEach(item -> operations(item, holders)));
    for (DataNode holder : holders) {
      holder.items(SECURITY).forEach(requirement -> names.addAll(requirement.names()));
    }
    return names;
  }

  private static void operations(DataNode item, List<DataNode> holders) {
    for (int i = 0; i < item.size(); i++) {
      DataNode operation = item.container(i);
      if (operation != null) {
        holders.add(operation);
      }
    }
  }

  private static String how(DataNode scheme) {
    return switch (scheme.text("type")) {
      case "apiKey" -> "a key in the " + scheme.text("in") + " as " + scheme.text("name");
      case "basic" -> "a user name and password (Basic)";
      case "http" ->
          switch (scheme.text("scheme").toLowerCase(Locale.ROOT)) {
            case "basic" -> "a user name and password (Basic)";
            case "digest" -> "a user name and password (Digest)";
            case "bearer" -> "a bearer token";
            default -> "the HTTP scheme " + scheme.text("scheme");
          };
      case "oauth2" -> oauth(scheme);
      case "openIdConnect" ->
          "a bearer token from OpenID Connect, which somebody has to get by logging in";
      case "mutualTLS" -> "a client certificate";
      default -> scheme.text("type");
    };
  }

  /** Only a program's own login needs nobody to look at a page of the server. */
  private static String oauth(DataNode scheme) {
    return scheme
        .find("flows")
        .flatMap(flows -> flows.find("clientCredentials"))
        .or(() -> Optional.of(scheme).filter(old -> old.text("flow").equals("application")))
        .map(
            flow ->
                "a token fetched with client credentials at "
                    + flow.text("tokenUrl")
                    + flow.find("scopes")
                        .filter(scopes -> !scopes.names().isEmpty())
                        .map(scopes -> ", scopes " + String.join(" ", scopes.names()))
                        .orElse(""))
        .orElse("a bearer token from OAuth 2, which somebody has to get by logging in");
  }
}

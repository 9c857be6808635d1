package org.mapsel.server.secrets;

import java.util.List;
import java.util.Optional;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.message.Access;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.server.outgoing.OutgoingHttp;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** How the endpoints of services are reached. */
@Component
public class Accesses {

  private final AccessStore store;
  private final Vault vault;
  private final OutgoingHttp http;
  private final JsonMapper json;

  Accesses(AccessStore store, Vault vault, OutgoingHttp http, JsonMapper json) {
    this.store = store;
    this.vault = vault;
    this.http = http;
    this.json = json;
  }

  /** For calls. */
  public Access of(String service, EndpointId endpoint) {
    return AccessForms.access(kept(service, endpoint));
  }

  /** What a form means that was given without being kept, as for reading a description. */
  public Access given(AccessForm form) {
    Access access = AccessForms.access(form);
    http.check(access);
    return access;
  }

  AccessForm shown(String service, EndpointId endpoint) {
    return AccessForms.shown(kept(service, endpoint));
  }

  AccessForm put(String service, EndpointId endpoint, AccessForm form) {
    AccessForm filled = AccessForms.filled(form, keptIfReadable(service, endpoint));
    Access access = given(filled);
    if (access.equals(Access.NONE)) {
      store.remove(service, endpoint.text());
    } else {
      store.put(
          service,
          endpoint.text(),
          vault.lock(json.writeValueAsBytes(filled), about(service, endpoint)));
    }
    return AccessForms.shown(filled);
  }

  /** Keeps a key that an endpoint takes in a header. */
  public void keepKey(String service, EndpointId endpoint, String header, String key) {
    keep(
        service,
        endpoint,
        new AccessForm.LoginForm("apiKey", null, header, false, null, null, key, true));
  }

  /** A client that asks for tokens, as it is known to who gives them. */
  public record Client(String tokens, String name, String secret) {}

  /** Keeps the client with which an endpoint is reached. */
  public void keepClient(String service, EndpointId endpoint, Client client) {
    keep(
        service,
        endpoint,
        new AccessForm.LoginForm(
            "client", client.name(), null, false, client.tokens(), null, client.secret(), true));
  }

  private void keep(String service, EndpointId endpoint, AccessForm.LoginForm login) {
    put(service, endpoint, new AccessForm(login, List.of(), null, "asDescribed", null, null, null));
  }

  private AccessForm kept(String service, EndpointId endpoint) {
    Optional<byte[]> locked = store.find(service, endpoint.text());
    if (locked.isEmpty()) {
      return AccessForm.NONE;
    }
    byte[] text =
        vault
            .open(locked.get(), about(service, endpoint))
            .orElseThrow(
                () ->
                    Problem.refused(
                        Finding.error("SERVER_SECRET_UNREADABLE", "endpoint", endpoint.text())));
    return json.readValue(text, AccessForm.class);
  }

  /** What can no longer be opened is written over as if it were not there. */
  private AccessForm keptIfReadable(String service, EndpointId endpoint) {
    return store
        .find(service, endpoint.text())
        .flatMap(locked -> vault.open(locked, about(service, endpoint)))
        .map(text -> json.readValue(text, AccessForm.class))
        .orElse(AccessForm.NONE);
  }

  private static String about(String service, EndpointId endpoint) {
    return service + "/" + endpoint.text();
  }
}

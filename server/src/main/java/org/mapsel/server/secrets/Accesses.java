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

  /**
   * For calls.
   *
   * @param environment where the service is called; empty for the addresses of the description
   * @param address where the endpoint is: secrets are for the server that they were used for first,
   *     and have to be given again for another one
   */
  public Access of(String service, EndpointId endpoint, String environment, String address) {
    Reached reached = new Reached(service, endpoint, environment);
    Optional<AccessStore.Kept> kept = find(reached);
    AccessForm form = opened(reached, kept);
    String origin = OutgoingHttp.originOf(address);
    if (AccessForms.tellsSecrets(form) && !origin.isEmpty()) {
      Optional<String> first = kept.flatMap(AccessStore.Kept::origin);
      if (first.isEmpty()) {
        store.bind(service, endpoint.text(), environment, origin);
      } else if (!first.get().equals(origin)) {
        throw Problem.refused(
            Finding.error(
                "SERVER_SECRET_ELSEWHERE",
                "endpoint",
                endpoint.text(),
                "first",
                first.get(),
                "now",
                origin));
      }
    }
    return AccessForms.access(form);
  }

  /** What is reached: an endpoint of a service in one of its environments. */
  record Reached(String service, EndpointId endpoint, String environment) {

    /** What is locked for this opens for nothing else. */
    private String about() {
      String described = service + "/" + endpoint.text();
      return environment.isEmpty() ? described : described + "/" + environment;
    }
  }

  /** Forgets how an endpoint is reached in an environment. */
  public void forget(String service, EndpointId endpoint, String environment) {
    store.remove(service, endpoint.text(), environment);
  }

  /** Forgets how a service is reached in an environment. */
  public void forget(String service, String environment) {
    store.removeAll(service, environment);
  }

  /** What a form means that was given without being kept, as for reading a description. */
  public Access given(AccessForm form) {
    Access access = AccessForms.access(form);
    http.check(access);
    return access;
  }

  AccessForm shown(Reached reached) {
    return AccessForms.shown(opened(reached, find(reached)));
  }

  AccessForm put(Reached reached, AccessForm form) {
    AccessForm filled = AccessForms.filled(form, keptIfReadable(reached));
    // Only what is given as a whole may go to another server than before.
    boolean anew = filled.equals(AccessForms.filled(form, AccessForm.NONE));
    Optional<String> origin =
        anew ? Optional.empty() : find(reached).flatMap(AccessStore.Kept::origin);
    Access access = given(filled);
    if (access.equals(Access.NONE)) {
      store.remove(reached.service(), reached.endpoint().text(), reached.environment());
    } else {
      store.put(
          reached.service(),
          reached.endpoint().text(),
          reached.environment(),
          new AccessStore.Kept(
              vault.lock(json.writeValueAsBytes(filled), reached.about()), origin));
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
    put(
        new Reached(service, endpoint, ""),
        new AccessForm(login, List.of(), null, "asDescribed", null, null, null));
  }

  private AccessForm opened(Reached reached, Optional<AccessStore.Kept> kept) {
    if (kept.isEmpty()) {
      return AccessForm.NONE;
    }
    byte[] text =
        vault
            .open(kept.get().content(), reached.about())
            .orElseThrow(
                () ->
                    Problem.refused(
                        Finding.error(
                            "SERVER_SECRET_UNREADABLE", "endpoint", reached.endpoint().text())));
    return json.readValue(text, AccessForm.class);
  }

  /** What can no longer be opened is written over as if it were not there. */
  private AccessForm keptIfReadable(Reached reached) {
    return find(reached)
        .flatMap(locked -> vault.open(locked.content(), reached.about()))
        .map(text -> json.readValue(text, AccessForm.class))
        .orElse(AccessForm.NONE);
  }

  private Optional<AccessStore.Kept> find(Reached reached) {
    return store.find(reached.service(), reached.endpoint().text(), reached.environment());
  }
}

package org.mapsel.server.environments;

import java.net.URI;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.mapsel.core.finding.Finding;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.server.environments.EnvironmentViews.EnvironmentView;
import org.mapsel.server.environments.EnvironmentViews.EnvironmentsView;
import org.mapsel.server.secrets.Accesses;
import org.mapsel.server.web.Problem;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Where the services of the workspace are called. */
@Component
public class Environments {

  private static final int MOST = 20;
  private static final int LONGEST_NAME = 40;
  private static final int LONGEST_ADDRESS = 2_000;

  private final EnvironmentStore store;
  private final EnvironmentUsers users;
  private final Accesses accesses;

  Environments(EnvironmentStore store, EnvironmentUsers users, Accesses accesses) {
    this.store = store;
    this.users = users;
    this.accesses = accesses;
  }

  /** The environment that builders call. */
  public Environment building(String service) {
    return get(service, store.building(service).orElse(""));
  }

  /**
   * One of the environments of a service.
   *
   * @param name empty for the addresses of the description
   */
  public Environment get(String service, String name) {
    return name.isEmpty()
        ? Environment.DESCRIBED
        : store
            .find(service, name)
            .orElseThrow(
                () ->
                    Problem.missing(
                        "SERVER_ENVIRONMENT_MISSING", "name", name, "service", service));
  }

  /** The names of the environments of a service. */
  public List<String> names(String service) {
    return store.all(service).stream().map(Environment::name).toList();
  }

  EnvironmentsView view(String service) {
    return new EnvironmentsView(
        wanted(service),
        store.all(service).stream().map(environment -> view(service, environment)).toList());
  }

  /** The one that builders call of a service that there must be. */
  private String wanted(String service) {
    return store
        .building(service)
        .orElseThrow(() -> Problem.missing("SERVER_SERVICE_MISSING", "service", service));
  }

  private EnvironmentView view(String service, Environment environment) {
    Map<String, String> addresses = new TreeMap<>();
    environment.addresses().forEach((endpoint, address) -> addresses.put(endpoint.text(), address));
    return new EnvironmentView(
        environment.name(), addresses, users.releasesUsing(service, environment.name()));
  }

  /**
   * Makes an environment or gives it other addresses. How an endpoint is reached is told to the
   * host that it was given for, and to no other one: where that changes it is forgotten.
   */
  @Transactional
  EnvironmentsView put(String service, String name, Map<String, String> addresses) {
    wanted(service);
    Optional<Environment> before = store.find(service, checked(name));
    if (before.isEmpty() && store.all(service).size() >= MOST) {
      throw Problem.refused(
          Finding.error("SERVER_ENVIRONMENTS_TOO_MANY", "limit", String.valueOf(MOST)));
    }
    Map<EndpointId, String> checked = new LinkedHashMap<>();
    addresses.forEach(
        (endpoint, address) -> {
          if (!address.isBlank()) {
            checked.put(new EndpointId(endpoint), checkedAddress(address.strip()));
          }
        });
    store.put(service, new Environment(name, checked));
    Map<EndpointId, String> all =
        new HashMap<>(before.map(Environment::addresses).orElse(Map.of()));
    all.putAll(checked);
    for (EndpointId endpoint : all.keySet()) {
      String was = before.map(known -> known.addresses().get(endpoint)).orElse(null);
      if (!Objects.equals(host(was), host(checked.get(endpoint)))) {
        accesses.forget(service, endpoint, name);
      }
    }
    return view(service);
  }

  private static String checked(String name) {
    if (name.isBlank()
        || !name.equals(name.strip())
        || name.length() > LONGEST_NAME
        || name.chars().anyMatch(Character::isISOControl)) {
      throw Problem.refused(
          Finding.error("SERVER_ENVIRONMENT_NAME", "limit", String.valueOf(LONGEST_NAME)));
    }
    return name;
  }

  private static String checkedAddress(String address) {
    String host = host(address);
    if (host == null || !address.matches("(?i)https?://.*") || address.length() > LONGEST_ADDRESS) {
      throw Problem.refused(Finding.error("SERVER_ENVIRONMENT_ADDRESS", "address", address));
    }
    return address;
  }

  /** Scheme, host and port of an address; nothing where it has none. */
  private static @Nullable String host(@Nullable String address) {
    if (address == null) {
      return null;
    }
    try {
      URI uri = URI.create(address);
      return uri.getHost() == null || uri.getUserInfo() != null
          ? null
          : uri.getScheme() + "://" + uri.getAuthority();
    } catch (IllegalArgumentException e) {
      return null;
    }
  }

  /** Takes an environment away, unless somebody calls the service there. */
  @Transactional
  EnvironmentsView remove(String service, String name) {
    Environment known = get(service, checked(name));
    List<String> releases = users.releasesUsing(service, name);
    if (!releases.isEmpty()) {
      throw Problem.conflict(
          "SERVER_ENVIRONMENT_USED", "name", name, "releases", String.join(", ", releases));
    }
    if (wanted(service).equals(name)) {
      store.build(service, "");
    }
    accesses.forget(service, known.name());
    store.remove(service, known.name());
    return view(service);
  }

  /** Lets builders call a service in another environment. */
  EnvironmentsView build(String service, String name) {
    wanted(service);
    store.build(service, get(service, name).name());
    return view(service);
  }
}

package org.mapsel.core.message;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;

/** The HTTP headers and address that an access asks for, the same for every protocol. */
public final class AccessHeaders {

  private AccessHeaders() {}

  /** The headers of the access, each with the reason for it. */
  public static List<Header> of(Access access) {
    List<Header> headers = new ArrayList<>();
    switch (access.login()) {
      case Access.Login.Basic basic ->
          headers.add(
              new Header(
                  "Authorization",
                  basic.password().reveal().equals(Secret.hidden().reveal())
                      ? "Basic " + Secret.hidden().reveal()
                      : "Basic " + base64(basic.user() + ":" + basic.password().reveal()),
                  "this endpoint is reached as " + basic.user()));
      case Access.Login.Bearer bearer ->
          headers.add(
              new Header(
                  "Authorization",
                  "Bearer " + bearer.token().reveal(),
                  "this endpoint is reached with a bearer token"));
      case Access.Login.ApiKey key -> {
        if (!key.inQuery()) {
          headers.add(
              new Header(key.name(), key.key().reveal(), "this endpoint is reached with a key"));
        }
      }
      case Access.Login.ClientCredentials client ->
          headers.add(
              new Header(
                  "Authorization",
                  "Bearer " + Secret.hidden().reveal(),
                  "a token that " + client.tokenAddress() + " has given to " + client.client()));
      case Access.Login.Digest digest -> {}
      case Access.Login.None none -> {}
    }
    for (Access.NamedSecret header : access.headers()) {
      headers.add(
          new Header(
              header.name(), header.value().reveal(), "set for every request to this endpoint"));
    }
    return headers;
  }

  private static String base64(String text) {
    return Base64.getEncoder().encodeToString(text.getBytes(StandardCharsets.UTF_8));
  }

  /** The address as it may be shown: without a key that stands in it. */
  public static String shown(String address, Access access) {
    return access.login() instanceof Access.Login.ApiKey key && key.inQuery()
        ? address.replace(
            URLEncoder.encode(key.key().reveal(), StandardCharsets.UTF_8), Secret.hidden().reveal())
        : address;
  }

  /** The address with the key in it, where the access wants it there. */
  public static String address(String address, Access access) {
    return access.login() instanceof Access.Login.ApiKey key && key.inQuery()
        ? address
            + (address.contains("?") ? "&" : "?")
            + URLEncoder.encode(key.name(), StandardCharsets.UTF_8)
            + "="
            + URLEncoder.encode(key.key().reveal(), StandardCharsets.UTF_8)
        : address;
  }
}

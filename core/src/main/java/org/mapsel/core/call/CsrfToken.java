package org.mapsel.core.call;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.mapsel.core.exchange.Exchange;
import org.mapsel.core.exchange.Exchanger;
import org.mapsel.core.message.Access;
import org.mapsel.core.message.Header;
import org.mapsel.core.message.Request;
import org.mapsel.core.message.Response;

/**
 * Some services take a change only with a token that they have given out before: it is asked for
 * when they say so, and the request sent again with it.
 */
final class CsrfToken {

  private static final String HEADER = "X-CSRF-Token";
  private static final int REFUSED = 403;

  private CsrfToken() {}

  static Exchange send(Exchanger exchanger, Request request, Access access) {
    Exchange first = exchanger.send(request, access);
    boolean wanted =
        first
            .response()
            .filter(response -> response.status() == REFUSED)
            .flatMap(response -> response.header(HEADER))
            .filter(value -> value.equalsIgnoreCase("required"))
            .isPresent();
    if (!wanted || request.method().equals("GET")) {
      return first;
    }
    List<Header> asking = new ArrayList<>(request.headers());
    asking.removeIf(header -> header.name().equalsIgnoreCase("If-Match"));
    asking.add(new Header(HEADER, "Fetch", "the service wants a token with every change"));
    String address = request.address().replaceFirst("\\?.*", "").replaceFirst("/[^/]*$", "/");
    Optional<Response> given =
        exchanger.send(new Request("GET", address, asking, new byte[0]), access).response();
    Optional<String> token = given.flatMap(response -> response.header(HEADER));
    if (token.isEmpty()) {
      return first;
    }
    List<Header> headers = new ArrayList<>(request.headers());
    headers.add(new Header(HEADER, token.get(), "the token that the service has given"));
    String cookies = cookies(given.orElseThrow());
    if (!cookies.isEmpty()) {
      headers.add(new Header("Cookie", cookies, "the token belongs to this session"));
    }
    return exchanger.send(
        new Request(request.method(), request.address(), headers, request.body()), access);
  }

  private static String cookies(Response response) {
    return response.headers().entrySet().stream()
        .filter(header -> header.getKey().equalsIgnoreCase("Set-Cookie"))
        .flatMap(header -> header.getValue().stream())
        .map(cookie -> cookie.split(";")[0].strip())
        .collect(Collectors.joining("; "));
  }
}

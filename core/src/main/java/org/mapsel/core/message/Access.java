package org.mapsel.core.message;

import java.util.List;
import java.util.Optional;

/**
 * How an endpoint is reached, beyond its address: who calls, and what else it wants to see.
 *
 * @param login how the caller proves who it is over HTTP
 * @param headers further HTTP headers
 * @param security the WS-Security header of SOAP requests
 * @param addressing whether SOAP requests carry WS-Addressing headers
 * @param connection what the connection itself needs
 */
public record Access(
    Login login,
    List<NamedSecret> headers,
    Optional<Security> security,
    Addressing addressing,
    Connection connection) {

  public static final Access NONE =
      new Access(
          new Login.None(), List.of(), Optional.empty(), Addressing.AS_DESCRIBED, Connection.PLAIN);

  public Access {
    headers = List.copyOf(headers);
  }

  /** HTTP authentication. */
  public sealed interface Login {

    /** Nobody in particular. */
    record None() implements Login {}

    /** RFC 7617. */
    record Basic(String user, Secret password) implements Login {}

    /** RFC 7616; the answer to the challenge is made by whoever sends the request. */
    record Digest(String user, Secret password) implements Login {}

    /** RFC 6750. */
    record Bearer(Secret token) implements Login {}

    /** A key in a header or in the query of the address. */
    record ApiKey(String name, Secret key, boolean inQuery) implements Login {}

    /**
     * RFC 6749, section 4.4; a bearer token is fetched with it before the first request.
     *
     * @param tokenAddress where tokens are given out
     * @param scope what the token is asked for; may be empty
     */
    record ClientCredentials(String tokenAddress, String client, Secret secret, String scope)
        implements Login {}
  }

  /** A header whose value may be secret. */
  public record NamedSecret(String name, Secret value) {}

  /**
   * WS-Security 1.1 username token profile.
   *
   * @param digest whether the password travels as a digest
   * @param timestamp whether the time and how long the message holds are said too
   */
  public record Security(String user, Secret password, boolean digest, boolean timestamp) {}

  /**
   * What a connection needs before any request is sent.
   *
   * @param certificate shown to a server that wants to know who connects (RFC 8446, section 4.4.2)
   * @param trusted certificates in PEM of authorities that are trusted besides the usual ones
   * @param proxy the server in between
   */
  public record Connection(
      Optional<ClientCertificate> certificate, Optional<String> trusted, Optional<Proxy> proxy) {

    public static final Connection PLAIN =
        new Connection(Optional.empty(), Optional.empty(), Optional.empty());
  }

  /** A certificate with its key, as a PKCS #12 file (RFC 7292). */
  public record ClientCertificate(byte[] file, Secret password) {

    public ClientCertificate {
      file = file.clone();
    }

    @Override
    public byte[] file() {
      return file.clone();
    }
  }

  /** A proxy; the user is empty where it asks for none. */
  public record Proxy(String host, int port, String user, Secret password) {}

  /** When to send WS-Addressing 1.0 headers. */
  public enum Addressing {
    AS_DESCRIBED,
    ALWAYS,
    NEVER
  }

  /** The same with every secret hidden, for what is kept and shown. */
  public Access hidden() {
    return new Access(
        switch (login) {
          case Login.None none -> none;
          case Login.Basic basic -> new Login.Basic(basic.user(), Secret.hidden());
          case Login.Digest digest -> new Login.Digest(digest.user(), Secret.hidden());
          case Login.Bearer bearer -> new Login.Bearer(Secret.hidden());
          case Login.ApiKey key -> new Login.ApiKey(key.name(), Secret.hidden(), key.inQuery());
          case Login.ClientCredentials client ->
              new Login.ClientCredentials(
                  client.tokenAddress(), client.client(), Secret.hidden(), client.scope());
        },
        headers.stream().map(header -> new NamedSecret(header.name(), Secret.hidden())).toList(),
        security.map(
            token ->
                new Security(token.user(), Secret.hidden(), token.digest(), token.timestamp())),
        addressing,
        Connection.PLAIN);
  }

  /** The same over another connection. */
  public Access through(Connection other) {
    return new Access(login, headers, security, addressing, other);
  }

  /** The same for somebody else. */
  public Access as(Login other) {
    return new Access(other, headers, security, addressing, connection);
  }

  /** Whether anything in it must not be seen. */
  public boolean hasSecrets() {
    return !(login instanceof Login.None) || !headers.isEmpty() || security.isPresent();
  }
}

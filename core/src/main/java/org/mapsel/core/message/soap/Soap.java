package org.mapsel.core.message.soap;

import org.mapsel.core.service.Protocol;

/** The names that SOAP 1.1 and 1.2 use. */
final class Soap {

  static final String ENVELOPE_11 = "http://schemas.xmlsoap.org/soap/envelope/";
  static final String ENVELOPE_12 = "http://www.w3.org/2003/05/soap-envelope";
  static final String XSI = "http://www.w3.org/2001/XMLSchema-instance";

  static final String ENCODING_11 = "http://schemas.xmlsoap.org/soap/encoding/";
  static final String ENCODING_12 = "http://www.w3.org/2003/05/soap-encoding";
  static final String RPC = "http://www.w3.org/2003/05/soap-rpc";
  static final String ADDRESSING = "http://www.w3.org/2005/08/addressing";

  private Soap() {}

  static boolean is11(Protocol protocol) {
    return protocol == Protocol.SOAP_1_1;
  }

  static String envelope(Protocol protocol) {
    return is11(protocol) ? ENVELOPE_11 : ENVELOPE_12;
  }

  static String encoding(Protocol protocol) {
    return is11(protocol) ? ENCODING_11 : ENCODING_12;
  }

  static boolean isEncoding(String namespace) {
    return namespace.equals(ENCODING_11) || namespace.equals(ENCODING_12);
  }

  static boolean isEnvelope(String namespace) {
    return namespace.equals(ENVELOPE_11) || namespace.equals(ENVELOPE_12);
  }
}

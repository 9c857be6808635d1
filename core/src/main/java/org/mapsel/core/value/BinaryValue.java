package org.mapsel.core.value;

import java.util.Arrays;

/** Bytes, for instance a picture. Equal when the bytes are. */
public record BinaryValue(byte[] bytes) implements Value {

  public BinaryValue {
    bytes = bytes.clone();
  }

  @Override
  public byte[] bytes() {
    return bytes.clone();
  }

  public int size() {
    return bytes.length;
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof BinaryValue that && Arrays.equals(bytes, that.bytes);
  }

  @Override
  public int hashCode() {
    return Arrays.hashCode(bytes);
  }

  @Override
  public String toString() {
    return "BinaryValue[" + bytes.length + " bytes]";
  }
}

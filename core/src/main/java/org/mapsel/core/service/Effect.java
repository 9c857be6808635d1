package org.mapsel.core.service;

/** Whether asking an operation changes anything on the far side. */
public enum Effect {
  READS,
  WRITES
}

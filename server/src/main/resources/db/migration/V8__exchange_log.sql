-- The log is looked through by time.
create index exchange_by_time on exchange (started_at);

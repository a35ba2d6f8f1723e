-- Lists of plans begin with the last changed one.
create index plan_changed on plan (changed_at);

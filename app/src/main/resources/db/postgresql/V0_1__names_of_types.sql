-- PostgreSQL has the types under other names; with these the migrations are the same for both.
create domain clob as text;
create domain blob as bytea;

-- A database of its own, and a role that owns its schema in it and nothing else.
-- As the superuser: psql -v password="'a long random password'" -f deploy/database.sql
create role bogen login nosuperuser nocreatedb nocreaterole password :password;
create database bogen encoding 'UTF8' template template0;
\connect bogen
revoke all on database bogen from public;
revoke all on schema public from public;
grant connect on database bogen to bogen;
create schema bogen authorization bogen;
alter role bogen in database bogen set search_path = bogen;

-- Who holds a session, in one statement: the studio is set from the session itself, and what row-level security lets be
-- seen of it is read. It runs with the rights of whoever asks; what it sets ends with its statement's transaction.
CREATE FUNCTION "bonitas_person"(token text, at timestamptz)
RETURNS TABLE (studio_id uuid, person_id uuid, name text, email text, studio_name text, time_zone text)
LANGUAGE plpgsql AS $$
DECLARE held sessions%ROWTYPE;
BEGIN
  PERFORM set_config('bonitas.token', token, true);
  SELECT * INTO held FROM sessions WHERE token_hash = token AND expires_at > at;
  IF NOT FOUND THEN RETURN; END IF;
  PERFORM set_config('bonitas.studio', held.studio_id::text, true);
  RETURN QUERY SELECT p.studio_id, p.id, p.name, p.email, s.name, s.time_zone FROM people p JOIN studios s ON s.id = p.studio_id WHERE p.id = held.person_id;
END $$;

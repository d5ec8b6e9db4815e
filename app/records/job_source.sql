-- One job with everything a job file holds, as one JSON object; the last line picks it.
SELECT jsonb_build_object(
  'job', to_jsonb(j),
  'unit', to_jsonb(u),
  'site', to_jsonb(s),
  'customer', to_jsonb(c),
  'beside', (SELECT b.uid FROM jobs b WHERE b.id = j.beside_id),
  'return_of', (SELECT r.uid FROM jobs r WHERE r.id = j.return_of_id),
  'people', (SELECT coalesce(jsonb_agg(jsonb_build_object('id', id, 'uid', uid, 'name', name, 'role', role)), '[]')
    FROM users),
  'fans', (
    SELECT coalesce(jsonb_agg(to_jsonb(f) || jsonb_build_object(
      -- The place as it was measured last, and what its motor drew while it was well, from whichever job;
      -- where a job file brought the fan, what it brought counts until something newer is read here.
      'place', (
        SELECT to_jsonb(r) FROM readings r WHERE r.fan_position_id = f.id AND r.kind = 'fit' AND r.voided_at IS NULL
        AND (f.brought_at IS NULL OR r.created_at > f.brought_at)
        ORDER BY r.taken_at DESC, r.id DESC LIMIT 1
      ),
      'healthy_amps', coalesce((
        SELECT r.result->'legs'->0->'amps' FROM readings r
        WHERE r.fan_position_id = f.id AND r.kind = 'amps' AND r.verdict = 'within' AND r.voided_at IS NULL
        AND (f.brought_at IS NULL OR r.created_at > f.brought_at)
        ORDER BY r.taken_at DESC LIMIT 1
      ), to_jsonb(f.brought_amps))
    ) ORDER BY f.side DESC, f.number), '[]')
    FROM fan_positions f WHERE f.unit_id = u.id
  ),
  'circuits', (
    SELECT coalesce(jsonb_agg(to_jsonb(i) || jsonb_build_object(
      'moves', (
        SELECT coalesce(jsonb_agg(
          to_jsonb(m) || jsonb_build_object('job', mj.uid, 'cylinder', y.label) ORDER BY m.on, m.id
        ), '[]')
        FROM refrigerant_moves m JOIN jobs mj ON mj.id = m.job_id JOIN cylinders y ON y.id = m.cylinder_id
        WHERE m.circuit_id = i.id
      ),
      'leaks', (
        SELECT coalesce(jsonb_agg(to_jsonb(l) || jsonb_build_object('job', lj.uid, 'checks', (
          SELECT coalesce(jsonb_agg(to_jsonb(k) || jsonb_build_object('job', kj.uid) ORDER BY k.on, k.id), '[]')
          FROM leak_checks k JOIN jobs kj ON kj.id = k.job_id WHERE k.leak_search_id = l.id
        )) ORDER BY l.on, l.id), '[]')
        FROM leak_searches l JOIN jobs lj ON lj.id = l.job_id WHERE l.circuit_id = i.id
      )
    ) ORDER BY i.name), '[]')
    FROM circuits i WHERE i.unit_id = u.id
  ),
  'motors', (
    SELECT coalesce(jsonb_agg(to_jsonb(m) ORDER BY m.installed_on, m.id), '[]')
    FROM fitted_motors m JOIN fan_positions f ON f.id = m.fan_position_id WHERE f.unit_id = u.id
  ),
  'visits', (SELECT coalesce(jsonb_agg(to_jsonb(v) ORDER BY v.starts_at, v.id), '[]')
    FROM visits v WHERE v.job_id = j.id),
  'findings', (SELECT coalesce(jsonb_agg(to_jsonb(x) ORDER BY x.taken_at, x.id), '[]')
    FROM findings x WHERE x.job_id = j.id),
  'readings', (SELECT coalesce(jsonb_agg(to_jsonb(x) ORDER BY x.taken_at, x.id), '[]')
    FROM readings x WHERE x.job_id = j.id),
  'photos', (SELECT coalesce(jsonb_agg(to_jsonb(x) ORDER BY x.taken_at, x.id), '[]')
    FROM photos x WHERE x.job_id = j.id),
  'decisions', (SELECT coalesce(jsonb_agg(to_jsonb(x) ORDER BY x.taken_at, x.id), '[]')
    FROM decisions x WHERE x.job_id = j.id),
  'part_choices', (
    SELECT coalesce(jsonb_agg(to_jsonb(p) || jsonb_build_object(
      'motor', (SELECT to_jsonb(m) FROM motors m WHERE m.id = p.motor_id),
      'blade', (SELECT to_jsonb(b) FROM blades b WHERE b.id = p.blade_id),
      'spare', (SELECT to_jsonb(s) FROM spares s WHERE s.id = p.spare_id),
      'fit_reading_client_id', (SELECT r.client_id FROM readings r WHERE r.id = p.fit_reading_id)
    ) ORDER BY p.created_at, p.id), '[]')
    FROM part_choices p WHERE p.job_id = j.id
  ),
  'steps', (SELECT coalesce(jsonb_agg(to_jsonb(w) ORDER BY w.done_at, w.id), '[]')
    FROM work_steps w WHERE w.job_id = j.id),
  'stations', (SELECT coalesce(jsonb_agg(to_jsonb(t) ORDER BY t.id), '[]') FROM station_steps t WHERE t.job_id = j.id),
  'proof_checks', (SELECT coalesce(jsonb_agg(to_jsonb(k) ORDER BY k.id), '[]')
    FROM proof_checks k WHERE k.job_id = j.id),
  'quotes', (
    SELECT coalesce(jsonb_agg(to_jsonb(q) || jsonb_build_object('answers', (
      SELECT coalesce(jsonb_agg(to_jsonb(a) ORDER BY a.at, a.id), '[]') FROM quote_answers a WHERE a.quote_id = q.id
    )) ORDER BY q.version), '[]') FROM quotes q WHERE q.job_id = j.id
  ),
  'handover', (SELECT to_jsonb(h) FROM handovers h WHERE h.job_id = j.id)
)
FROM jobs j
JOIN units u ON u.id = j.unit_id
JOIN sites s ON s.id = u.site_id
JOIN customers c ON c.id = s.customer_id
WHERE /*which*/

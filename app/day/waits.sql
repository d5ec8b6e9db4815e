-- What each of these jobs ($1) waits for: of every fault the last decision, the last quote, of the parts that
-- are not in yet one that nobody has ordered, else the one that comes last, the order that nobody
-- has answered yet, and a stopgap that is still in. Beside it, which of its stations are done.
SELECT jobs.id,
  jobs.status = 'awaiting_countersign' OR COALESCE(decided.unsigned, false) AS countersign,
  quoted.version AS quote, ordered.supplier_name AS silent,
  chosen.id IS NOT NULL AS chosen, chosen.ready_at, chosen.part_no, chosen.offer IS NULL AS unordered,
  bridged.stopgap,
  (SELECT string_agg(station, ' ') FROM station_steps WHERE station_steps.job_id = jobs.id AND state = 'done') AS done
FROM jobs
LEFT JOIN LATERAL (
  SELECT bool_or(last_of_fault.unsigned) AS unsigned FROM (
    SELECT DISTINCT ON (decisions.fault) users.role = 'apprentice' AND decisions.countersigned_at IS NULL AS unsigned
    FROM decisions JOIN users ON users.id = decisions.user_id
    WHERE decisions.job_id = jobs.id AND decisions.voided_at IS NULL
    ORDER BY decisions.fault, decisions.taken_at DESC, decisions.id DESC
  ) last_of_fault
) decided ON true
LEFT JOIN LATERAL (
  SELECT * FROM quotes WHERE quotes.job_id = jobs.id ORDER BY quotes.version DESC LIMIT 1
) quoted ON quoted.limit_cents IS NOT NULL AND (quoted.options -> 0 ->> 'needs_approval')::boolean
  AND NOT EXISTS (SELECT 1 FROM quote_answers WHERE quote_answers.quote_id = quoted.id)
LEFT JOIN LATERAL (
  SELECT supplier_name FROM part_orders
  WHERE part_orders.job_id = jobs.id AND part_orders.state = 'to_send' ORDER BY part_orders.id LIMIT 1
) ordered ON true
LEFT JOIN LATERAL (
  SELECT part_choices.id, ready_at, offer, COALESCE(motors.part_no, spares.part_no) AS part_no
  FROM part_choices
  LEFT JOIN motors ON motors.id = part_choices.motor_id
  LEFT JOIN spares ON spares.id = part_choices.spare_id
  WHERE part_choices.job_id = jobs.id AND superseded_at IS NULL AND fitted_at IS NULL
  ORDER BY offer IS NULL DESC, ready_at DESC NULLS LAST, part_choices.id DESC LIMIT 1
) chosen ON true
LEFT JOIN LATERAL (
  SELECT offer ->> 'stopgap' AS stopgap FROM part_choices
  WHERE part_choices.job_id = jobs.id AND superseded_at IS NULL AND offer ->> 'stopgap' IS NOT NULL
    AND NOT EXISTS (SELECT 1 FROM proof_checks WHERE proof_checks.job_id = jobs.id AND check_id = 'undone')
  ORDER BY part_choices.created_at DESC, part_choices.id DESC LIMIT 1
) bridged ON true
WHERE jobs.id = ANY ($1)

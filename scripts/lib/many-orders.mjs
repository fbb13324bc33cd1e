/**
 * A hundred thousand more orders for `npm run bench`: copies of the demo's jobs under other names, customers and dates, written by SQL
 * (entering them through the API would plan each one).
 */
export function manyOrders(cluster, database, number = 100_000) {
  cluster.sql(
    database,
    `
    begin;
    create temp table likes as
      select row_number() over (order by j.number) - 1 as nr, j.id, j.title, j.summary, j.picture, o.customer, o.made_by
      from jobs j join job_items i on i.job = j.id join order_lines l on l.id = i.order_line join orders o on o.id = l.order_id;
    create temp table many as
      select
        g.n,
        gen_random_uuid() as order_id,
        gen_random_uuid() as line,
        gen_random_uuid() as job,
        k.title || ', part ' || g.n as title,
        k.summary,
        k.picture,
        k.customer,
        k.made_by,
        now() + ((g.n * 7919) % 400000) * interval '10 minutes' as due
      from generate_series(1, ${number}) g (n)
        join likes k on k.nr = g.n % (select count(*) from likes);
    insert into orders (id, customer, made_by) select order_id, customer, made_by from many;
    insert into order_lines (id, order_id, title, quantity) select line, order_id, title, 100 + n % 90000 from many;
    insert into jobs (id, number, title, state, version, summary, picture, due_at, customer, quantity)
      select m.job, o.number, m.title, case when m.n % 3 = 0 then 'released' else 'draft' end, 1, m.summary, m.picture, m.due, c.name, 100 + m.n % 90000
      from many m join orders o on o.id = m.order_id join customers c on c.id = m.customer;
    insert into job_items (job, item, order_line) select job, 'i1', line from many;
    insert into deliveries (order_line, nr, due_local, due_at, quantity, address)
      select line, 1, to_char(due, 'YYYY-MM-DD"T"HH24:MI'), due, 100 + n % 90000, 'Quay 1' from many;
    commit;
    vacuum analyze;
    `,
  );
}

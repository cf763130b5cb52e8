-- Links back that were mailed before messages knew their interview, so that they go with it.
update message set interview_id = coalesce((select min(w.interview_id) from way_back w
    where message.text like concat('%', w.token, '%')), '') where interview_id = '';

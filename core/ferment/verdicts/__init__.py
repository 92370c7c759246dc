"""What is to be said of a jar: ready or not with its evidence, the stage, advice beyond the plan, cautions.

Knows the log, the plan, the forecast and the signs; nothing of who asks. Offers `judgement`, `counsel` and `notices`;
the numbers of the rule of ready itself stand in `ready_rule`, since methods and tracker read them too.
"""

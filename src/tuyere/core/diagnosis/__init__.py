"""Why a drive failed: signs, causes, and what to look at next. Judgement in numbers, said as such."""

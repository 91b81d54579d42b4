"""What a person is told and shown of an engine, in sentences and in scenes put together from it. No Qt."""

"""What the APIs of the apps share: ids, 304 answers, and the schemas that several of them use."""

"""How a web machine serves: as the launcher does it in a house, at an address that the door reaches."""

worker_class = "config.worker.PatientWorker"
workers = 2
graceful_timeout = 20
# Loaded once and shared: what the compiled model takes, it takes once.
preload_app = True
control_socket_disable = True

import { proveReteach } from "/work/main/scripts/prove/reteach";
import { print } from "/work/main/scripts/prove/table";

print("Reteach", proveReteach());

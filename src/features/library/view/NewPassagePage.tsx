import { PageHead } from "@/ui/layout/PageHead";
import { ButtonLink } from "@/ui/primitives/Button";
import type { BankName } from "../itemTypes";
import { PassageForm } from "./PassageForm";

/** Where a passage is written; it goes into a bank. */
export function NewPassagePage({ banks, base }: { readonly banks: readonly BankName[]; readonly base: string }) {
  return (
    <div className="px-5 py-4">
      <PageHead
        title="New passage"
        sub={
          banks.length > 0
            ? "Items of any bank may hang on it. Changing it later makes a further version."
            : "A passage goes into a bank, and there is none yet that you may change."
        }
      />
      {banks.length > 0 ? (
        <PassageForm
          passageId={null}
          first={{ title: "", topic: "", language: "en", text: "" }}
          banks={banks}
          base={base}
        />
      ) : (
        <ButtonLink look="main" href={`${base}/library/banks`}>
          Make a bank
        </ButtonLink>
      )}
    </div>
  );
}

using AbleMend.Core.Cases;
using AbleMend.Core.Gear;
using AbleMend.Core.HandingBack;
using AbleMend.Core.Matching;
using AbleMend.Core.Patching;
using AbleMend.Core.Plans;

namespace AbleMend.Tests;

/// <summary>Most tests look at an item with one damage: this says of case and plan what is said of it.</summary>
internal static class OneDamage
{
    extension(RepairCase repairCase)
    {
        public Damage Damage => repairCase.Damages.Single().Seen;

        public Choice? Choice => repairCase.Damages.Single().Choice;

        public IReadOnlyList<Override>? Overrides => repairCase.Damages.Single().Overrides;

        public RepairCase Damaged(Func<Damage, Damage> change) => repairCase.Changed(damage => damage with { Seen = change(damage.Seen) });

        public RepairCase Damaged(Damage damage) => repairCase.Damaged(_ => damage);

        public RepairCase Chosen(Choice? choice) => repairCase.Changed(damage => damage with { Choice = choice });

        public RepairCase ByHand(IReadOnlyList<Override>? overrides) => repairCase.Changed(damage => damage with { Overrides = overrides });

        private RepairCase Changed(Func<DamageToMend, DamageToMend> change) => repairCase with { Damages = [change(repairCase.Damages.Single())] };
    }

    extension(RepairPlan plan)
    {
        public IReadOnlyList<Candidate> Candidates => plan.Damages.Single().Candidates;

        public PlannedSystem System => plan.Damages.Single().System!;

        public Drawing Drawing => plan.Damages.Single().Drawing;

        public IReadOnlyList<Patch> Patches => plan.Damages.Single().Patches;

        public IReadOnlyList<TakenSchool> Schools => plan.Damages.Single().Schools;

        public Message ProperRepair => plan.Damages.Single().ProperRepair!;

        public Aftercare Aftercare => plan.Damages.Single().Aftercare!;
    }
}

using System.Collections.Immutable;

namespace ZealousEmber.Core.Controllers;

/// <summary>The questions of a controller in the order they come up, which depends on the answers before them.</summary>
public static class ProgramWalk
{
    /// <summary>Questions about a step stand together and are repeated.</summary>
    internal static bool IsOfAStep(this ControllerProfile profile, Question question) =>
        question.Id is "rate" or "time"
        || (question.Id == "target" && profile.Give is StepForm.Rate or StepForm.Time)
        || (question.Id == "hold" && profile is { Give: StepForm.Rate, Hold: HoldRule.Every });

    /// <summary>The questions; each is asked for its answer only once the ones before it are answered.</summary>
    /// <param name="profile">The controller.</param>
    /// <param name="answer">The answer to a question by its id, as it is shown.</param>
    public static IEnumerable<Asked> Of(ControllerProfile profile, Func<Asked, string> answer)
    {
        var group = profile.Ask.Where(profile.IsOfAStep).ToImmutableArray();
        var asked = new Dictionary<string, string>();
        string Of(Asked a) => asked[a.Id] = answer(a);
        bool IsPassed(Question q, int? step)
        {
            if (q.Unless is not { } unless)
                return false;
            return asked.GetValueOrDefault(new Asked(profile.Find(unless.Id)!, step).Id) == unless.Shown || asked.GetValueOrDefault(unless.Id) == unless.Shown;
        }

        foreach (var question in profile.Ask)
        {
            if (!profile.IsOfAStep(question))
            {
                if (IsPassed(question, null))
                    continue;
                var one = new Asked(question, null);
                yield return one;
                Of(one);
                continue;
            }
            if (!ReferenceEquals(question, group[0]))
                continue;
            var steps = profile.Count == Counting.Asked ? (int)(profile.Find("count")!.ValueOf(asked["count"]) ?? 0) : profile.Most;
            var ended = false;
            for (var k = 1; k <= steps && !ended; k++)
            {
                foreach (var q in group.Where(q => !IsPassed(q, k)))
                {
                    var one = new Asked(q, k);
                    yield return one;
                    if (q.MeaningOf(Of(one)) != "end")
                        continue;
                    ended = true;
                    break;
                }
            }
        }
    }
}

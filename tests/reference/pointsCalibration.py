"""Reference values of pointsCalibration.json: the generalized partial credit model fitted by another road.

The marginal likelihood is written out over 241 nodes and minimised as a whole (scipy, BFGS), with and without fixed
items; errors come from its Hessian by central differences. Run: python3 pointsCalibration.py > pointsCalibration.json
"""
import json
import numpy as np
from scipy.optimize import minimize

HIGHEST = [2, 3, 1, 2, 3]
TRUTH = [(0.9, [-1.0, 0.4]), (1.3, [-0.6, 0.1, 1.2]), (1.1, [0.3]), (0.7, [0.8, -0.2]), (1.6, [-1.2, -0.1, 0.6])]
NODES = np.linspace(-6, 6, 241)
DENSITY = np.exp(-NODES**2 / 2)
DENSITY /= DENSITY.sum()


def log_chances(theta, a, steps):
    heights = np.concatenate([np.zeros((len(theta), 1)), np.cumsum(a * (theta[:, None] - np.array(steps)), axis=1)], axis=1)
    return heights - np.log(np.exp(heights).sum(axis=1, keepdims=True))


def draw(students, mean, sd, seed):
    random = np.random.default_rng(seed)
    theta = random.normal(mean, sd, students)
    columns = []
    for a, steps in TRUTH:
        chances = np.exp(log_chances(theta, a, steps))
        columns.append((random.random(students)[:, None] > np.cumsum(chances, axis=1)).sum(axis=1))
    return np.stack(columns, axis=1)


def fit(rows, fixed):
    patterns, counts = np.unique(rows, axis=0, return_counts=True)
    open_items = [j for j in range(len(HIGHEST)) if j not in fixed]

    def unpack(flat):
        items, at = dict(fixed), 0
        for j in open_items:
            items[j] = (np.exp(flat[at]), flat[at + 1 : at + 1 + HIGHEST[j]])
            at += 1 + HIGHEST[j]
        return items, (flat[at], np.exp(flat[at + 1])) if fixed else (0.0, 1.0)

    def minus_log_likelihood(flat):
        items, (mean, sd) = unpack(flat)
        theta = mean + sd * NODES
        total = np.tile(np.log(DENSITY), (len(patterns), 1))
        for j in range(len(HIGHEST)):
            total += log_chances(theta, *items[j])[:, patterns[:, j]].T
        most = total.max(axis=1, keepdims=True)
        return -(counts * (most[:, 0] + np.log(np.exp(total - most).sum(axis=1)))).sum()

    start = np.concatenate([[0.0] + [0.0] * HIGHEST[j] for j in open_items] + ([[0.0, 0.0]] if fixed else []))
    found = minimize(minus_log_likelihood, start, method="BFGS", options={"gtol": 1e-6, "maxiter": 2000}).x
    step, size = 1e-3, len(found)
    hessian = np.zeros((size, size))
    for i in range(size):
        for j in range(size):
            def at(one, other):
                moved = found.copy()
                moved[i] += one
                moved[j] += other
                return minus_log_likelihood(moved)
            hessian[i, j] = (at(step, step) - at(step, -step) - at(-step, step) + at(-step, -step)) / (4 * step * step)
    errors = np.sqrt(np.diag(np.linalg.inv(hessian)))
    items, (mean, sd) = unpack(found)
    at, out = 0, []
    for j in range(len(HIGHEST)):
        a, steps = items[j]
        if j in fixed:
            out.append({"a": a, "steps": list(steps), "seA": 0, "seSteps": [0] * HIGHEST[j]})
            continue
        out.append({"a": a, "steps": list(steps), "seA": a * errors[at], "seSteps": list(errors[at + 1 : at + 1 + HIGHEST[j]])})
        at += 1 + HIGHEST[j]
    population = {"mean": mean, "sd": sd, "seMean": errors[at], "seSd": sd * errors[at + 1]} if fixed else None
    rounded = json.loads(json.dumps(out), parse_float=lambda text: round(float(text), 5))
    table = [[*map(int, pattern), int(count)] for pattern, count in zip(patterns, counts)]
    return {"patterns": table, "items": rounded, "logLikelihood": round(float(-minus_log_likelihood(found)), 4),
            "population": population and {name: round(float(value), 5) for name, value in population.items()}}


print(json.dumps({
    "highest": HIGHEST,
    "free": fit(draw(600, 0, 1, 11), {}),
    "anchored": fit(draw(600, 0.5, 1.3, 12), {0: TRUTH[0], 2: TRUTH[2]}),
}))
